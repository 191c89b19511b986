// A process that writes and is killed while it does: commands on a data folder, told when the first begins and the last is done.
import { openForWriting } from '../../dist/database/driver.js';
import { COMMANDS } from '../../dist/commands.js';
import { transact } from '../../dist/writer/transaction.js';

const [dataFolder] = process.argv.slice(2);
const source = await openForWriting(dataFolder);
process.on('message', async (commands) => {
  process.send('begun');
  for (const { name, input } of commands)
    await transact(source, (manager) => COMMANDS[name]({ manager, dataFolder, progress: () => undefined }, input));
  process.send('done');
});
process.send('ready');
