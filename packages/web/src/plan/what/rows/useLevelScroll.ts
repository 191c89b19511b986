import { ref, type Ref } from 'vue';
import { levelHeight, type Anchor } from './levelScroll.js';

const ROW = 28;
const EYE = 0.4;

/** A page that can be scrolled to a height; it says whether it could move at all. */
interface Scrolling {
  scrollTo(top: number): boolean;
}

/** Both pages scroll together: the one that was scrolled leads; the other follows so that the row under the eye lies level. */
export function useLevelScroll(
  anchors: Readonly<Ref<readonly Anchor[]>>,
  oldPage: Readonly<Ref<Scrolling | null>>,
  newPage: Readonly<Ref<Scrolling | null>>,
) {
  const scrolls = ref({ old: 0, new: 0, height: 500 });
  let following: 'old' | 'new' | undefined;
  function scrolled(leader: 'old' | 'new', top: number, height: number): void {
    scrolls.value = { ...scrolls.value, [leader]: top, height };
    if (following === leader) {
      following = undefined;
      return;
    }
    // At the top the first rows lie level; further down the row under the eye does.
    const eye = Math.min(top, height * EYE);
    const level = levelHeight(anchors.value, ROW, top + eye, leader === 'old' ? 0 : 1) - eye;
    following = leader === 'old' ? 'new' : 'old';
    const moved = (leader === 'old' ? newPage : oldPage).value?.scrollTo(level);
    if (moved === false) following = undefined;
  }
  return { scrolls, scrolled };
}
