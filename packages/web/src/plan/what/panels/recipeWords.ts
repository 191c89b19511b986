import {
  FINDING_WORDS,
  KIND_WORDS,
  SETTING_WORDS,
  type FindingName,
  type Kind,
  type RecipeChoices,
  type SettingName,
  type Turn,
} from '@yarin/core';

const says = (choice: Turn | undefined): string =>
  choice === 'leave' ? 'leaves' : choice === 'reword' ? 'brings, to be reworded,' : 'brings';

/** A part of a recipe in words: “leaves web links”, “lands as draft”. */
export const partWords =
  (choices: RecipeChoices) =>
  (part: string): string => {
    const [name, each = ''] = part.split('.');
    switch (name) {
      case 'kinds':
        return `${says(choices.kinds?.[each])} ${KIND_WORDS[each as Kind].many}`;
      case 'findings':
        return `${says(choices.findings?.[each])} ${FINDING_WORDS[each as FindingName]}`;
      case 'settings':
        return `${says(choices.settings?.[each])} the ${SETTING_WORDS[each as SettingName]}`;
      case 'all':
        return `${says(choices.all)} everything else`;
      case 'openingPosts':
        return `${says(choices.openingPosts)} opening posts`;
      case 'onlyLacking':
        return 'only what the shell lacks';
      default:
        return `lands ${choices.landing ?? 'as it was'}`;
    }
  };
