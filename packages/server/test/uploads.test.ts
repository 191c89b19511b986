import { readdirSync } from 'node:fs';
import { connect, type AddressInfo } from 'node:net';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { startServer, type TestServer } from './testServer.js';

const COURSE = 'apc120-dev';

describe('files that are added', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startServer({ demo: true });
  });
  afterAll(() => server.close());

  const incoming = (): readonly string[] => {
    try {
      return readdirSync(join(server.dataFolder, 'incoming'));
    } catch {
      return [];
    }
  };
  const until = async (isSo: () => boolean): Promise<void> => {
    while (!isSo()) await new Promise((resolve) => setTimeout(resolve, 10));
  };

  it('and are broken off on the way leave nothing behind', async () => {
    const signed = await server.anybody.post('/api/session').send({ person: 'p-marant' }).expect(200);
    const cookie = (signed.headers['set-cookie'] as unknown as string[])[0]!.split(';')[0]!;
    const listening = server.app.listen(0, '127.0.0.1');
    await new Promise((resolve) => listening.once('listening', resolve));
    const { port } = listening.address() as AddressInfo;
    const socket = connect(port, '127.0.0.1');
    const head = [
      `POST /api/courses/${COURSE}/files HTTP/1.1`,
      'Host: 127.0.0.1',
      `Cookie: ${cookie}`,
      'Content-Type: multipart/form-data; boundary=cut',
      'Content-Length: 5000000',
      '',
      '--cut',
      'Content-Disposition: form-data; name="file"; filename="film.mp4"',
      'Content-Type: video/mp4',
      '',
      'x'.repeat(100_000),
    ];
    socket.write(head.join('\r\n'));
    await until(() => incoming().length === 1);
    socket.destroy();
    await until(() => incoming().length === 0);
    expect(incoming()).toEqual([]);
    await new Promise((resolve) => listening.close(resolve));
  });

  it('are refused when the files of the course have 20 GB together, and are taken below that', async () => {
    const ines = await server.as('p-marant');
    const add = () => ines.post(`/api/courses/${COURSE}/files`).attach('file', Buffer.from('hive'), 'hive.txt');
    await add().expect(201);
    await server.writer.run('addCourse', {
      termId: 'term-s27',
      staff: [{ personId: 'p-marant', role: 'instructor' }],
      course: {
        course: { id: 'films', code: 'FLM', number: '1', section: '01', title: 'Films', term: 'Spring 2027' },
        calendar: { firstDay: '2027-01-11', lastDay: '2027-05-07', timeZone: 'America/Chicago' },
        items: [{ id: 'f', kind: 'file', title: 'film.mp4', details: { hash: 'sha256:0', bytes: 20 * 1024 ** 3 } }],
      },
    });
    const full = await ines.post('/api/courses/films/files').attach('file', Buffer.from('one more'), 'more.txt');
    expect([full.status, full.body.detail]).toEqual([
      422,
      'The files of this course have 20 GB together, which is the most. Take out what is not used, and add it again.',
    ]);
  });
});
