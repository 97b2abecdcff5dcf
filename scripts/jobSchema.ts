import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import parse from 'joi-to-json';
import prettier from 'prettier';
import { jobFileSchema } from '../core/src/files/read/jobSchema.ts';
import { LENGTH_SAID, OR_NULL } from '../core/src/files/read/rules.ts';

/** What a job file must look like, for editors and programs that know JSON Schema; made from what reads the files. */
const FILE = fileURLToPath(new URL('../docs/job-file.schema.json', import.meta.url));

type Node = { [key: string]: unknown };
const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Says of lengths that they are numbers or text, and leaves out types that the listed values say already. */
function settled(node: Node): Node {
  const { type, ...rest }: Node = Object.fromEntries(
    Object.entries(node).map(([key, value]) => [key, settledValue(value)]),
  );
  if (typeof node.description === 'string' && node.description.startsWith(LENGTH_SAID)) {
    return { type: ['number', 'string', ...(node.description.endsWith(OR_NULL) ? ['null'] : [])], ...rest };
  }
  const { properties, patternProperties } = rest as { properties?: Node; patternProperties?: Node };
  // Names that follow a pattern are listed by the library as if the pattern were a name.
  if (properties && patternProperties)
    rest.properties = Object.fromEntries(Object.entries(properties).filter(([name]) => !name.startsWith('/')));
  if (Array.isArray(rest.anyOf) && rest.anyOf.every((one: Node) => isNode(one.properties))) {
    // One kind or another: the last says what kinds there are when none fits, and the frame round them holds nothing.
    rest.anyOf = rest.anyOf.filter((one: Node) => one.additionalProperties === false);
    delete rest.properties;
    delete rest.additionalProperties;
  }
  return node.enum !== undefined || node.const !== undefined || type === undefined ? rest : { type, ...rest };
}

const settledValue = (value: unknown): unknown =>
  Array.isArray(value) ? value.map(settledValue) : isNode(value) ? settled(value) : value;

/** Faces are all alike, so what they may hold is said once. */
function sharing(schema: Node): Node {
  const text = JSON.stringify(schema);
  const { faces } = ((schema.properties as Node).art as { properties: { faces: Node } }).properties;
  const [face] = Object.values(faces.properties as Node);
  const once = text.replaceAll(JSON.stringify(face), JSON.stringify({ $ref: '#/definitions/face' }));
  return { ...(JSON.parse(once) as Node), definitions: { face } };
}

/** The schema as text, formatted as the file is kept. */
export async function jobSchemaText(): Promise<string> {
  const made = settled(parse(jobFileSchema as never, 'json') as Node);
  const schema = {
    $schema: 'http://json-schema.org/draft-07/schema#',
    title: 'Zippy Crease job file',
    description: 'See job-file.md. Whatever is left out takes the value that a new job would have.',
    ...sharing(made),
  };
  const options = await prettier.resolveConfig(FILE);
  return prettier.format(JSON.stringify(schema), { ...options, parser: 'json' });
}

if (process.argv[1] === fileURLToPath(import.meta.url)) writeFileSync(FILE, await jobSchemaText());
