import { readFile } from 'node:fs/promises';
import { fail, type Problem, type Result } from '@yarin/core';
import { readJson } from '@yarin/formats';
import { COMMANDS } from './commands.js';

const USAGE = `usage: yarin <${Object.keys(COMMANDS).join(' | ')}> <job.json> [<job.json> ...]`;

async function readJob(file: string): Promise<Result<unknown>> {
  try {
    return readJson(await readFile(file, 'utf8'));
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code === undefined) throw error;
    return fail([
      { code: 'noSuchFile', message: `“${file}” can't be read (${code}); give the path of a job file.`, where: '' },
    ]);
  }
}

/** What a call prints, and how it ends. */
export interface Answer {
  readonly status: 0 | 1 | 2;
  readonly stdout: string;
  readonly stderr: string;
}

/**
 * Answers a call: JSON on standard output; problems on standard error with exit code 1 and nothing printed; a usage line
 * with exit code 2 for a wrong call.
 */
export async function answer([name, ...files]: readonly string[]): Promise<Answer> {
  const command = name === undefined ? undefined : COMMANDS[name];
  if (command === undefined || files.length === 0 || files.some((file) => file.startsWith('-')))
    return { status: 2, stdout: '', stderr: `${USAGE}\n` };
  const results: unknown[] = [];
  const problems: (Problem & { file?: string })[] = [];
  for (const file of files) {
    const job = await readJob(file);
    const result = job.ok ? command(job.value) : job;
    if (result.ok) results.push(result.value);
    else problems.push(...result.problems.map((problem) => (files.length > 1 ? { ...problem, file } : problem)));
  }
  if (problems.length > 0) return { status: 1, stdout: '', stderr: `${JSON.stringify({ problems }, null, 2)}\n` };
  return { status: 0, stdout: `${JSON.stringify(files.length > 1 ? results : results[0])}\n`, stderr: '' };
}
