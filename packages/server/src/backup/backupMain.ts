// npm run backup [-- FOLDER]: a copy of database and files, made while people work.
import { readConfig } from '../config.js';
import { makeBackup } from './backup.js';

try {
  const { dataFolder, backupFolder, backupsKept } = readConfig(process.env);
  const into = process.argv[2] ?? backupFolder;
  const { folder, files, damaged } = await makeBackup(dataFolder, into, new Date(), backupsKept);
  process.stdout.write(`The database and ${files} files are in ${folder}.\n`);
  if (damaged.length > 0) {
    process.stderr.write(
      `${damaged.length} files are not what they were when they were added, and were left out: ${damaged.join(', ')}. Put them back from an earlier backup.\n`,
    );
    process.exitCode = 1;
  }
} catch (error) {
  process.stderr.write(`No backup was made. ${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
}
