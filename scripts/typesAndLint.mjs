import { ESLint } from 'eslint';
import ts from 'typescript';
import { root } from './root.mjs';

/**
 * Types and rules by one reading of the sources: rules ask for the types that were worked out just before, and two
 * programs that each read everything would take half as long again.
 */
const host = { getCurrentDirectory: () => root('.'), getNewLine: () => '\n', getCanonicalFileName: (name) => name };
const { config } = ts.readConfigFile(root('tsconfig.json'), ts.sys.readFile);
const { fileNames, options } = ts.parseJsonConfigFileContent(config, ts.sys, root('.'));
const program = ts.createProgram(fileNames, options);
const wrong = ts.getPreEmitDiagnostics(program);
if (wrong.length > 0) console.error(ts.formatDiagnostics(wrong, host));

const eslint = new ESLint({
  cwd: root('.'),
  overrideConfig: {
    files: ['**/*.{ts,tsx}'],
    languageOptions: { parserOptions: { project: null, programs: [program] } },
  },
});
const results = await eslint.lintFiles(['.']);
const { format } = await eslint.loadFormatter('stylish');
const said = await format(results);
if (said) console.error(said);
const against = results.some(({ errorCount, warningCount }) => errorCount + warningCount > 0);
process.exit(wrong.length > 0 || against ? 1 : 0);
