import { actsMeant, KIND_WORDS, kindsMeant, type ActName, type Kind } from '@yarin/core';
import type { RouteLocationNormalized, RouteLocationRaw } from 'vue-router';

/** A way to an act or a kind of things, from where somebody is. */
export interface ActOffer {
  readonly id: string;
  readonly title: string;
  readonly detail: string;
  readonly to: RouteLocationRaw;
}

type Place = Pick<RouteLocationNormalized, 'name' | 'params'>;
type Part = 'gradebook' | 'dates' | 'class-days' | 'files' | 'settings';

const DESK: RouteLocationRaw = { name: 'desk' };
const idOf = ({ params }: Place): string => String(params.id);

const knot = (place: Place, name: string, query: Readonly<Record<string, string>> = {}): RouteLocationRaw => ({
  name: 'plan',
  params: { id: idOf(place), knot: name },
  query,
});
const part = (place: Place, name: Part): RouteLocationRaw => ({
  name: 'course',
  params: { id: idOf(place), part: name },
});

interface Way {
  readonly title: string;
  /** In a plan, in a course, and anywhere else: where it leads, and what is done there. */
  readonly inPlan: (place: Place) => readonly [to: RouteLocationRaw, detail: string];
  readonly inCourse: (place: Place) => readonly [to: RouteLocationRaw, detail: string];
  readonly elsewhere: readonly [to: RouteLocationRaw, detail: string];
}

const AT_DESK = [DESK, 'at the Desk: open the plan of a shell'] as const;
const atDesk = (): typeof AT_DESK => AT_DESK;
const OPEN_A_COURSE = [{ name: 'find' }, 'find the course and open it'] as const;
const openACourse = (): typeof OPEN_A_COURSE => OPEN_A_COURSE;

/** Something of a course: in a course there, elsewhere by way of finding one. */
const ofCourse = (title: string, name: Part, detail: string): Way => ({
  title,
  inPlan: openACourse,
  inCourse: (place) => [part(place, name), detail],
  elsewhere: OPEN_A_COURSE,
});

/** Somewhere that is the same wherever one is. */
const always = (title: string, to: RouteLocationRaw, detail: string): Way => ({
  title,
  inPlan: () => [to, detail],
  inCourse: () => [to, detail],
  elsewhere: [to, detail],
});

const WAYS: Readonly<Record<ActName, Way>> = {
  bring: {
    title: 'Bring a course into a shell',
    inPlan: (place) => [knot(place, ''), 'this plan: look it over and press Bring'],
    inCourse: (place) => [{ name: 'pair', params: { side: 'into', id: idOf(place) } }, 'into this course'],
    elsewhere: AT_DESK,
  },
  sendOn: {
    title: 'Send an old course on',
    inPlan: () => [{ name: 'find', query: { when: 'past', mine: 'yes' } }, 'from your past courses'],
    inCourse: (place) => [{ name: 'pair', params: { side: 'from', id: idOf(place) } }, 'from this course'],
    elsewhere: [{ name: 'find', query: { when: 'past', mine: 'yes' } }, 'from your past courses'],
  },
  choose: {
    title: 'Choose what comes',
    inPlan: (place) => [knot(place, 'what'), 'this plan, What'],
    inCourse: atDesk,
    elsewhere: AT_DESK,
  },
  dates: {
    title: 'Dates',
    inPlan: (place) => [knot(place, 'when'), 'this plan, When'],
    inCourse: (place) => [part(place, 'dates'), 'all dates of this course'],
    elsewhere: AT_DESK,
  },
  leftOver: {
    title: 'What still needs a person',
    inPlan: (place) => [knot(place, 'left-over'), 'this plan, Left over'],
    inCourse: atDesk,
    elsewhere: AT_DESK,
  },
  takeBack: {
    title: 'Take back what was done',
    inPlan: (place) => [knot(place, ''), 'this plan: what was brought is taken back here'],
    inCourse: (place) => [part(place, 'settings'), 'what was changed in this course'],
    elsewhere: [DESK, 'at the Desk: Lately'],
  },
  publish: ofCourse('Open a course to learners', 'settings', 'the settings of this course'),
  setUp: {
    title: 'Gradebook set-up into other courses',
    inPlan: openACourse,
    inCourse: (place) => [{ name: 'setUp', params: { id: idOf(place) } }, 'of this course, by itself'],
    elsewhere: OPEN_A_COURSE,
  },
  gradebook: {
    title: 'Gradebook',
    inPlan: (place) => [knot(place, 'what', { by: 'category' }), 'this plan, What, by category'],
    inCourse: (place) => [part(place, 'gradebook'), 'of this course'],
    elsewhere: OPEN_A_COURSE,
  },
  classDays: {
    title: 'Class days',
    inPlan: (place) => [knot(place, 'when'), 'this plan, When'],
    inCourse: (place) => [part(place, 'class-days'), 'of this course'],
    elsewhere: OPEN_A_COURSE,
  },
  files: ofCourse('Files', 'files', 'of this course'),
  calendars: always('Calendars of terms', { name: 'calendars' }, 'first and last days, breaks, holidays'),
  people: always('Learners and their work never come', DESK, 'every plan and every record says so, with the zeros'),
  access: always('Who may use which course', { name: 'access' }, 'what you asked, and what is asked of you'),
  find: always('Find a course', { name: 'find' }, 'by code, title, instructor, term'),
};

const MOST_KINDS = 3;

/** What somebody means by everyday words, as ways from where they are. */
export function actOffers(typed: string, place: Place): ActOffer[] {
  const acts = actsMeant(typed).map((act): ActOffer => {
    const { title, inPlan, inCourse, elsewhere } = WAYS[act];
    const [to, detail] = place.name === 'plan' ? inPlan(place) : place.name === 'course' ? inCourse(place) : elsewhere;
    return { id: `act ${act}`, title, detail, to };
  });
  const kinds = kindsMeant(typed).slice(0, MOST_KINDS);
  return [...acts, ...kinds.map((kind) => kindOffer(kind, place))];
}

function kindOffer(kind: Kind, place: Place): ActOffer {
  const { many } = KIND_WORDS[kind];
  const title = many[0]!.toUpperCase() + many.slice(1);
  return place.name === 'plan'
    ? {
        id: `kind ${kind}`,
        title,
        detail: 'of this plan, under What',
        to: knot(place, 'what', { only: KIND_WORDS[kind].one }),
      }
    : { id: `kind ${kind}`, title, detail: 'open a plan: they are chosen under What', to: DESK };
}
