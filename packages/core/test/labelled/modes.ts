import type { Course } from '../../src/schemas/course.js';
import { item, newShell, oldCourse } from '../builders.js';
import type { LabelledCourse } from './labelled.js';

type Row = readonly ['says' | 'silent', string];

const ON_SITE_THEN: readonly Row[] = [
  ['says', '<p>We meet in room 12 from ten to eleven.</p>'],
  ['says', '<p>The test is written on campus.</p>'],
  ['says', '<p>All labs are in person; there is no other way to hold a net.</p>'],
  ['says', '<p>Come to Room 114 with your map.</p>'],
  ['says', '<p>Talk face-to-face before you write.</p>'],
  ['says', '<p>We start in the lecture hall.</p>'],
  ['says', '<p>Class is in Haskell 114.</p>'],
  ['says', '<p>Questions are asked in the classroom.</p>'],
  ['says', '<p>On-campus work hours are posted at the door.</p>'],
  ['silent', '<p>The online quiz opens on its own.</p>'],
  ['silent', '<p>In room 12 of the museum hangs the oldest map.</p>'],
  ['silent', '<p>The emergency room 3 is for nurses.</p>'],
  ['silent', '<p>Rooms for fish: a pool has three.</p>'],
  ['silent', '<p>Read this first, then that.</p>'],
  ['silent', '<blockquote>We met in room 12.</blockquote>'],
  ['silent', '<p>There is room for 12 in the boat.</p>'],
  ['silent', '<p>Each person keeps a journal.</p>'],
];
const ONLINE_THEN: readonly Row[] = [
  ['says', '<p>This course is online only.</p>'],
  ['says', '<p>We talk by video twice.</p>'],
  ['says', '<p>The seminar meets online.</p>'],
  ['says', '<p>It is a fully online course.</p>'],
  ['says', '<p>Everything happens over video.</p>'],
  ['says', '<p>Our online sessions are short.</p>'],
  ['says', '<p>The exam is held remotely.</p>'],
  ['says', '<p>The defence is by video.</p><p>Sign up in the list.</p>'],
  ['says', '<p>Everything is online; nobody needs to come.</p>'],
  ['says', '<p>Attend remotely, from wherever you are.</p>'],
  ['silent', '<p>The video is online, and you can order it online.</p>'],
  ['silent', '<p>Join by video: https://meet.example/x</p>'],
  ['silent', '<p>We meet by video at <a href="https://meet.example/x">this address</a>.</p>'],
  ['silent', '<p>Search the library’s online catalogue.</p>'],
  ['silent', '<p>Watch the video on nets.</p>'],
  ['silent', '<p>The water in room 12 is cold.</p>'],
  ['silent', '<p>Remote lakes freeze first.</p>'],
  ['silent', '<p>Virtual water is what a shirt costs in litres.</p>'],
  ['silent', '<p>Hand in your map online.</p>'],
];
const MIXED_THEN: readonly Row[] = [
  ['says', '<p>This is a hybrid course.</p>'],
  ['says', '<p>We meet on campus every other week.</p>'],
  ['says', '<p>A blended form needs care.</p>'],
  ['silent', '<p>Bring a net.</p>'],
  ['silent', '<p>The gauge is read by hand.</p>'],
];

function labelled(name: string, rows: readonly Row[], then: string, now: string): LabelledCourse {
  const source: Course = oldCourse(
    ...rows.map(([, body], index) => item('page', `p${index + 1}`, { title: `Page ${index + 1}`, body })),
  );
  const shell = newShell();
  return {
    name,
    source: { ...source, course: { ...source.course, mode: then, room: 'Haskell 114' } },
    shell: { ...shell, course: { ...shell.course, mode: now } },
    expected: { otherMode: rows.flatMap(([label], index) => (label === 'says' ? [`p${index + 1}`] : [])) },
  };
}

export const MODES: readonly LabelledCourse[] = [
  labelled('on site then, online now', ON_SITE_THEN, 'on site', 'online'),
  labelled('online then, on site now', ONLINE_THEN, 'online', 'on site'),
  labelled('mixed then, online now', MIXED_THEN, 'mixed', 'online'),
  { ...labelled('the same mode', ON_SITE_THEN, 'on site', 'on site'), expected: { otherMode: [] } },
];
