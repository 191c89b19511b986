export type PersonRole = 'instructor' | 'assistant' | 'administrator';

/** Whether a person may do something, and if not, why, in a sentence they can act on. */
export type Right = { readonly may: true } | { readonly may: false; readonly why: string };

/** What somebody may want to do with a course. */
export const ACTS = ['read', 'use', 'change', 'run', 'takeBack', 'mark', 'archive', 'share'] as const;
export type Act = (typeof ACTS)[number];
export type Rights = Readonly<Record<Act, Right>>;

/** How a person stands to a course; somebody may stand to it in several ways at once. */
export const STANDINGS = ['instructor', 'designer', 'assistant', 'administrator', 'helper', 'guest', 'anyone'] as const;
export type Standing = (typeof STANDINGS)[number];

/**
 * Who may do what. `helper` was let in by an owner to change the course, `guest` to use it as a source.
 *
 * @see docs/rules.md, "Who may do what"
 */
const RIGHTS_MATRIX: Readonly<Record<Standing, readonly Act[]>> = {
  instructor: ACTS,
  designer: ['read', 'use', 'change', 'run', 'takeBack', 'mark'],
  assistant: ['read'],
  administrator: ACTS,
  helper: ['read', 'use', 'change', 'run', 'takeBack', 'mark'],
  guest: ['read', 'use'],
  anyone: [],
};

/** What changes a course itself; a finished or archived one takes none of it. */
const CHANGING: readonly Act[] = ['change', 'run', 'takeBack'];

export interface RightsPerson {
  readonly id: string;
  readonly role: PersonRole;
  /** The department that an administrator is limited to; `null` is the whole institution. */
  readonly department: string | null;
  /** The department that whoever acts for this person is limited to. */
  readonly actorsDepartment: string | null;
}

export type StaffRole = 'instructor' | 'designer' | 'assistant';
export type Wanted = 'use' | 'change';

export interface RightsCourse {
  readonly code: string;
  readonly number: string;
  readonly section: string;
  readonly term: string;
  readonly type: 'course' | 'development' | 'template';
  readonly lastDay: string;
  readonly archived: boolean;
  readonly openForReuse: boolean;
  readonly department: string | null;
  readonly staff: readonly { readonly id: string; readonly name: string; readonly role: StaffRole }[];
  /** What an owner granted the person who asks. */
  readonly granted: Wanted | null;
}

const MAY: Right = { may: true };

/** Every way in which a person stands to a course. */
export function standingsOf(person: RightsPerson, course: RightsCourse): Standing[] {
  const standings: Standing[] = ['anyone'];
  const role = course.staff.find(({ id }) => id === person.id)?.role;
  if (role !== undefined) standings.push(role);
  if (person.role === 'administrator' && inDepartment(person.department, course)) standings.push('administrator');
  if (course.granted !== null) standings.push(course.granted === 'change' ? 'helper' : 'guest');
  if (course.type === 'template' || course.openForReuse) standings.push('guest');
  return standings;
}

const inDepartment = (department: string | null, course: RightsCourse): boolean =>
  department === null || department === course.department;

const nameOf = ({ code, number, section, term, type }: RightsCourse): string =>
  type === 'course' ? `${code} ${number}-${section} (${term})` : `${code} ${number}, ${TYPE_WORDS[type]}`;
const TYPE_WORDS = { development: 'development course', template: 'shared template' } as const;

const owners = ({ staff }: RightsCourse): string =>
  staff
    .filter(({ role }) => role === 'instructor')
    .map(({ name }) => name)
    .join(' and ') || 'nobody yet';

/**
 * Whether a person may do something with a course, and if not, why, in a sentence that says who could help.
 *
 * @param today  `YYYY-MM-DD`; a course is finished the day after its last day
 * @see docs/rules.md, "Who may do what"
 */
export function mayDo(act: Act, person: RightsPerson, course: RightsCourse, today: string): Right {
  if (person.actorsDepartment !== null && person.actorsDepartment !== course.department)
    return { may: false, why: `${nameOf(course)} is not in the department that you act in.` };
  const allowed = standingsOf(person, course).some((standing) => RIGHTS_MATRIX[standing].includes(act));
  if (!allowed) return { may: false, why: refusal(act, course) };
  if (!CHANGING.includes(act)) return MAY;
  if (course.type === 'course' && course.lastDay < today)
    return {
      may: false,
      why: `${nameOf(course)} is finished. A finished course is a record: it can be read and used as a source, never changed.`,
    };
  if (course.archived)
    return { may: false, why: `${nameOf(course)} is archived. Bring it back from the archive to work in it.` };
  return MAY;
}

function refusal(act: Act, course: RightsCourse): string {
  const [name, owner] = [nameOf(course), owners(course)];
  switch (act) {
    case 'read':
      return `${name} is not yours to read. It belongs to ${owner}; ask to be let in.`;
    case 'use':
      return `${name} belongs to ${owner}. Ask them to open it for reuse.`;
    case 'change':
    case 'run':
    case 'takeBack':
      return `${name} is taught by ${owner}. Only they, its designers or an administrator can change it.`;
    case 'mark':
      return `${name} is taught by ${owner}. Only those who teach or design it leave notes to next term.`;
    case 'archive':
    case 'share':
      return `${name} is taught by ${owner}. Only they or an administrator decide this.`;
  }
}

/** Whether somebody may make a shell by hand in a department; of a department that nobody knows, everybody but assistants. */
export function mayMakeShell(
  { role, department: own, actorsDepartment }: RightsPerson,
  department: string | null,
): Right {
  if (role === 'assistant') return { may: false, why: 'Only instructors and administrators make shells.' };
  const limit = actorsDepartment ?? (role === 'administrator' ? own : null);
  return limit === null || limit === department
    ? MAY
    : { may: false, why: `This course is not in ${limit}, the department that you act in. Nothing was made.` };
}

/** Terms and their calendars hold for the whole institution; who has one department keeps none of them. */
export const mayKeepTerms = ({ role, department, actorsDepartment }: RightsPerson): Right =>
  role === 'administrator' && department === null && actorsDepartment === null
    ? MAY
    : {
        may: false,
        why: 'Terms are kept by the administrators of the whole college. What holds for one course alone is set in its settings.',
      };

/** All rights of a person in a course at once. */
export const rightsOf = (person: RightsPerson, course: RightsCourse, today: string): Rights =>
  Object.fromEntries(ACTS.map((act) => [act, mayDo(act, person, course, today)])) as unknown as Rights;
