import { answer } from './answer.js';

const { status, stdout, stderr } = await answer(process.argv.slice(2));
process.stdout.write(stdout);
process.stderr.write(stderr);
process.exitCode = status;
