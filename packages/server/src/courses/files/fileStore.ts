import { createHash, type Hash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdir, rename, rm, stat } from 'node:fs/promises';
import { extname, join } from 'node:path';
import { randomUUID } from 'node:crypto';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { fileTypeFromFile } from 'file-type';
import mime from 'mime-types';
import { unusable } from '../../http/httpProblem.js';

/** A file as it is kept: by the SHA-256 of its bytes, each once. */
export interface KeptFile {
  readonly hash: string;
  readonly bytes: number;
  readonly mediaType: string;
}

const folderOf = (dataFolder: string): string => join(dataFolder, 'files');

/** Where a file lies. A hash that is none leads nowhere, whatever it says. */
function pathOf(dataFolder: string, hash: string): string {
  const [, digest] = /^sha256:([0-9a-f]{64})$/.exec(hash) ?? [];
  return join(folderOf(dataFolder), digest ?? 'none');
}

/** Hashes bytes on their way. */
export function hashing(hash: Hash): Transform {
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      hash.update(chunk);
      done(null, chunk);
    },
  });
}

/** Receives a file as a stream into a place of its own; nothing refers to it until it is kept. */
export async function receive(
  dataFolder: string,
  bytes: Readable,
): Promise<{ readonly path: string; readonly hash: string }> {
  await mkdir(join(dataFolder, 'incoming'), { recursive: true });
  const path = join(dataFolder, 'incoming', randomUUID());
  const hash = createHash('sha256');
  try {
    await pipeline(bytes, hashing(hash), createWriteStream(path));
  } catch (error) {
    // One that was broken off leaves nothing behind.
    await rm(path, { force: true });
    throw error;
  }
  return { path, hash: `sha256:${hash.digest('hex')}` };
}

/** Pictures, films, sounds and archives say what they are in their first bytes; their names have to agree. */
const TOLD_BY_BYTES = /^(?:image|audio|video)\/|^application\/(?:pdf|zip)$/;
/** Formats that are a zip inside, whatever the zip holds. */
const ZIP_INSIDE = /officedocument|opendocument|epub|imscc/;

/** Keeps a received file under its hash, unless its name says that it is something else than its bytes are. */
export async function keep(
  dataFolder: string,
  { path, hash }: { readonly path: string; readonly hash: string },
  name: string,
): Promise<KeptFile> {
  const found = await fileTypeFromFile(path);
  const named = mime.lookup(extname(name)) || undefined;
  const { size } = await stat(path);
  if (named !== undefined && TOLD_BY_BYTES.test(named) && named !== 'image/svg+xml' && !agree(named, found?.mime)) {
    await rm(path, { force: true });
    throw unusable(
      `“${name}” is named as ${named}, but its bytes are ${found === undefined ? 'none of that kind' : `those of ${found.mime}`}. Nothing was kept; give it its right ending, or choose the right file.`,
      [{ code: 'otherBytes', message: `The bytes are not those of ${named}.`, where: '/file' }],
    );
  }
  await mkdir(folderOf(dataFolder), { recursive: true });
  await rename(path, pathOf(dataFolder, hash));
  const mediaType = found?.mime !== undefined && !ZIP_INSIDE.test(named ?? '') ? found.mime : named;
  return { hash, bytes: size, mediaType: mediaType ?? 'application/octet-stream' };
}

const agree = (named: string, found: string | undefined): boolean =>
  found !== undefined &&
  (named === found || named.split('/')[0] === found.split('/')[0]) &&
  (named.startsWith('application/') ? named === found : true);

/** Streams a kept file, and checks on the way that its bytes are still those of its hash. */
export async function send(dataFolder: string, hash: string, to: NodeJS.WritableStream): Promise<void> {
  const check = createHash('sha256');
  const source = createReadStream(pathOf(dataFolder, hash));
  await pipeline(
    source,
    hashing(check),
    new Transform({
      transform: (chunk: Buffer, _encoding, done) => done(null, chunk),
      flush: (done) =>
        `sha256:${check.digest('hex')}` === hash ? done() : done(new Error(`The file ${hash} is damaged.`)),
    }),
    to,
  );
}

export async function isKept(dataFolder: string, hash: string): Promise<boolean> {
  return stat(pathOf(dataFolder, hash)).then(
    () => true,
    () => false,
  );
}
