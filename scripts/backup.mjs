import { command, withDatabase } from './withDatabase.mjs';

await command(
  'npm run backup -- FILE: writes everything the studio has to FILE, such as studio.tar.gz.',
  (args) => args.length === 1 && !args[0].startsWith('-'),
  (args) => withDatabase('backup/backupProcess.ts', args),
);
