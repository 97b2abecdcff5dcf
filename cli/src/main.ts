import { parseArgs } from 'node:util';
import { run } from './run.ts';
import { UsageError } from './errors.ts';

/** The command line: 0 fine, 1 stop-snags, 2 bad input with one clear line. */
try {
  const { positionals, values } = parseArgs({
    allowPositionals: true,
    options: {
      what: { type: 'string' },
      format: { type: 'string' },
      out: { type: 'string', default: '.' },
      workshop: { type: 'string' },
      date: { type: 'string' },
      pixels: { type: 'string' },
      dpi: { type: 'string' },
      face: { type: 'string' },
      sheet: { type: 'string' },
      margins: { type: 'string' },
      piece: { type: 'string' },
      bleed: { type: 'string' },
      ink: { type: 'string' },
      gutter: { type: 'string' },
      'no-turn': { type: 'boolean' },
    },
  });
  process.exitCode = await run(positionals, values);
} catch (problem) {
  const bad = problem instanceof UsageError || (problem as { code?: string }).code?.startsWith('ERR_PARSE_ARGS');
  if (!bad) throw problem;
  console.error((problem as Error).message);
  process.exitCode = 2;
}
