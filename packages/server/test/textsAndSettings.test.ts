import { describe, expect, it } from '@jest/globals';
import { textHash } from '@yarin/core';
import { makeClock } from '../src/clock.js';
import { readConfig } from '../src/config.js';
import { sanitise, storable } from '../src/courses/sanitise.js';
import { nativeHash } from '../src/courses/nativeHash.js';

describe('the platform’s hash', () => {
  it('is the core’s', () => {
    for (const text of ['', 'Riffles', '“Öl” – 3 µm']) expect(nativeHash(text)).toBe(textHash(text));
  });
});

describe('the clock', () => {
  it('stands where it is told to', () =>
    expect(makeClock('2026-11-24T09:00').now('Asia/Tokyo')).toBe('2026-11-24T09:00'));
  it('else tells the time of the zone', () => {
    expect(makeClock(undefined).now('UTC')).toMatch(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/);
  });
  it.each(['yesterday', '2026-02-30T09:00', '2026-11-24'])('refuses %s', (text) =>
    expect(() => makeClock(text)).toThrow('YARIN_NOW has to be a moment'),
  );
});

describe('the configuration', () => {
  it('refuses a port that is none', () => {
    for (const port of ['x', '-1', '70000']) expect(() => readConfig({ YARIN_PORT: port })).toThrow('from 0 to 65535');
    expect(readConfig({ YARIN_PORT: '4600' }).port).toBe(4600);
  });
});

describe('a body that is shown', () => {
  const keys: Record<string, string> = { 'old.map': 'old.map', 'old.start': 'new.start' };
  const shown = (body: string): string => sanitise(body, 'new', (address) => keys[address]);
  it('leads to things of the course, through a second key too', () => {
    expect(shown('<a href="item:old.start">Start</a>')).toBe('<a href="/course/new?item=new.start">Start</a>');
    expect(shown('<img src="item:old.map" alt="Map">')).toBe('<img alt="Map" src="/api/courses/new/files/old.map" />');
  });
  it('has no address that leads to nothing', () => expect(shown('<a href="item:gone">Gone</a>')).toBe('<a>Gone</a>'));
  it('keeps outside addresses, and drops what runs', () => {
    expect(shown('<a href="https://gauge.example/x">Gauge</a>')).toContain('href="https://gauge.example/x"');
    expect(shown('<iframe src="https://x.example"></iframe><style>p{}</style><p style="color:red">x</p>')).toBe(
      '<p>x</p>',
    );
  });
});

describe('a text that is saved', () => {
  it('has keys for addresses of the course again, and keeps outside ones', () => {
    const shown =
      '<p><a href="/course/new?item=old.start">Start</a> <img src="/api/courses/new/files/old.map" alt="Map"> <a href="https://gauge.example/x">Gauge</a></p>';
    expect(storable(shown, 'new').body).toBe(
      '<p><a href="item:old.start">Start</a> <img src="item:old.map" alt="Map" /> <a href="https://gauge.example/x">Gauge</a></p>',
    );
  });
  it('is what was stored, after being shown and saved again', () => {
    const stored = '<p>See <a href="item:a.b%20c">it</a>.</p>';
    for (const written of [stored, stored.replace('%20', ' ')]) {
      const shown = sanitise(written, 'c1', (key) => (key === 'a.b c' ? key : undefined));
      expect(storable(shown, 'c1').body).toBe(stored);
    }
  });
  it.each([
    ['a script', '<p>a</p><script>alert(1)</script>', '<p>a</p>', ['script']],
    ['what runs when pressed', '<p onclick="x()">a</p>', '<p>a</p>', ['what runs when pressed']],
    ['an address that runs', '<a href="javascript:x()">a</a>', '<a>a</a>', ['an address that runs']],
    ['a frame', '<iframe src="https://x.example"></iframe>b', 'b', ['iframe']],
  ])('loses %s, and says so', (_name, text, body, takenOut) => {
    expect(storable(text, 'c')).toEqual({ body, takenOut });
  });
});
