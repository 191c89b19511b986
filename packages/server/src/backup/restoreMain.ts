// npm run restore -- BACKUP: puts a backup in the place of what the data folder holds.
import { readConfig } from '../config.js';
import { restoreBackup } from './restore.js';

const [backup] = process.argv.slice(2);
if (backup === undefined) {
  process.stderr.write('Say which backup: npm run restore -- FOLDER\n');
  process.exitCode = 2;
} else {
  try {
    const { dataFolder } = readConfig(process.env);
    const replaced = await restoreBackup(backup, dataFolder, new Date());
    process.stdout.write(
      `${dataFolder} is as it was when ${backup} was made.${replaced === undefined ? '' : ` What stood there is kept in ${replaced}.`}\n`,
    );
  } catch (error) {
    process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    process.exitCode = 1;
  }
}
