import type { Kind } from '../../src/names/kinds.js';
import type { Item } from '../../src/schemas/course.js';
import { item, newShell, oldCourse } from '../builders.js';
import type { LabelledCourse } from './labelled.js';

type Row = readonly ['link' | 'none', Kind, string, string, Item['details']?];

const ROWS: readonly Row[] = [
  ['link', 'page', 'Those away', '<p>Join at https://meet.example/abc.</p>'],
  ['link', 'page', 'Behind a word', '<p><a href="https://meet.example/abc">Join here</a></p>'],
  ['link', 'page', 'Another host', '<p>https://meeting.college.example/j/88123?pwd=x</p>'],
  ['link', 'page', 'Deep host', '<p>We use https://video.meet-us.example/room/7.</p>'],
  ['link', 'page', 'No scheme', '<p>Join meet.example/eco214 on your phone.</p>'],
  ['link', 'assignment', 'Defence', '<p>The defence is by video. Meeting ID 881 2204 1175.</p>'],
  ['link', 'assignment', 'Defence 2', '<p>Meeting id: 88122041175</p>'],
  ['link', 'discussion', 'Call', '<p>Webinar ID: 812-4455-9911</p>'],
  ['link', 'discussion', 'Call 2', '<p>The call opens at ten. Passcode: river7</p>'],
  ['link', 'page', 'Password', '<p>To join the video meeting use the password: heron44.</p>'],
  ['link', 'event', 'Talk', '<p>At https://meet.example/talk</p>'],
  ['link', 'event', 'In the place', '', { place: 'https://meet.example/talk' }],
  ['link', 'event', 'In the address', '', { url: 'https://meet.example/talk' }],
  ['link', 'weblink', 'Room for calls', '', { url: 'https://meet.example/room' }],
  ['link', 'announcement', 'Now', '<p>https://meet.example/now</p>'],
  ['link', 'contact', 'Ines Marant', '<p>Talk to me: https://meet.example/marant</p>'],
  ['link', 'syllabus', 'Syllabus', '', { sections: [{ title: 'Where', body: '<p>Or at https://meet.example/s</p>' }] }],
  ['link', 'quiz', 'Oral', '<p>Dial in: +1 312 626 6799, conference ID 4455 9911 2</p>'],
  ['link', 'task', 'Call the crew', '<p>https://meet.example/crew</p>'],
  ['link', 'page', 'With a hyphen', '<p>Meeting-ID: 123-456-7890</p>'],
  ['link', 'page', 'By phone', '<p>Dial +1 312 555 0142, meeting 881 2204 1175#</p>'],
  ['link', 'page', 'Just an id', '<p>Join with ID: 812 4455 9911</p>'],
  ['none', 'page', 'Ids', '<p>Student ID 20261234567, order number 8812 2204 1175.</p>'],
  ['none', 'page', 'An example', '<p>An address such as https://meet.example/your-room is fine for group calls.</p>'],
  ['none', 'page', 'In code', '<p>Write it as <code>https://meet.example/name</code>.</p>'],
  ['none', 'page', 'Quoted', '<blockquote>See https://meet.example/old</blockquote>'],
  ['none', 'page', 'Notes', '<p>The file meeting-notes.pdf has what was said; meeting.docx too.</p>'],
  ['none', 'page', 'Meetings', '<p>We meet at the bench. Crew meetings are short.</p>'],
  ['none', 'page', 'Mail', '<p>Write to meet@college.example or crew@meet.example.</p>'],
  ['none', 'page', 'Reader', '<p>The password of the reader is trout2020.</p>'],
  ['none', 'page', 'Door', '<p>The passcode of the lab door is 4411, ask for it.</p>'],
  ['none', 'page', 'Other host', '<p>https://gauge.example/meet shows the level.</p>'],
  ['none', 'weblink', 'Gauge', '', { url: 'https://gauge.example/lower-reach' }],
  ['none', 'event', 'At the bench', '', { place: 'Haskell 110' }],
  ['none', 'page', 'Numbers', '<p>Specimen ID 88 12 20 41 75 hangs by the door.</p>'],
  ['none', 'quiz', 'Quiz', '<p>The quiz needs the password: otter77.</p>'],
  ['none', 'page', 'Video', '<p>A video on riffles: https://films.example/riffles</p>'],
];

const items = ROWS.map(([, kind, title, body, details], index) =>
  item(kind, `m${index + 1}`, {
    title,
    ...(body === '' ? {} : { body }),
    ...(details === undefined ? {} : { details }),
  }),
);

export const MEETINGS: readonly LabelledCourse[] = [
  {
    name: 'addresses of video meetings',
    source: oldCourse(...items),
    shell: newShell(),
    expected: { meetingLink: ROWS.flatMap(([label], index) => (label === 'link' ? [`m${index + 1}`] : [])) },
  },
];
