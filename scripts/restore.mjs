import { command, withDatabase } from './withDatabase.mjs';

await command(
  'npm run restore -- FILE [--instead]: brings a backup back beside what is there, or with --instead in its place.',
  (args) => {
    const files = args.filter((arg) => arg !== '--instead');
    return files.length === 1 && !files[0].startsWith('-');
  },
  (args) => withDatabase('backup/restoreProcess.ts', args),
);
