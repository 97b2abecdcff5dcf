/** Anything that could be fetched: only references into the same file, and pictures carried inside it. */
export const INNER_REF = /^(#[\w.:-]+|data:image\/(png|jpeg);base64,[A-Za-z0-9+/=\s]+)$/;

/** A value or a sheet of style as whoever reads it will understand it: escapes spelt out, comments gone. */
const spelt = (css: string): string =>
  css
    .replace(/\/\*[\s\S]*?(\*\/|$)/g, ' ')
    .replace(/\\(?:([0-9a-f]{1,6})\s?|([\s\S]))/gi, (_, hex: string | undefined, plain: string | undefined) =>
      hex ? letter(parseInt(hex, 16)) : plain!,
    );
const letter = (code: number): string => (code > 0 && code <= 0x10ffff ? String.fromCodePoint(code) : '\ufffd');

/** Whatever can name something outside. */
const REACHES_OUT = /url\(|image-set\(|image\(|src\(|cross-fade\(|@import|@font-face|@namespace|expression\(/i;
/** Nothing here looks back over what it has passed: a sheet of eight megabytes takes its length, not its square. */
const URLS = /url\(([^()]*)\)/gi;
const unquoted = (ref: string): string => ref.trim().replace(/^(["'])([\s\S]*)\1$/, '$2');

/** True when nothing of a value is fetched from outside the drawing. */
export function staysInside(value: string): boolean {
  const said = spelt(value);
  if (!REACHES_OUT.test(said)) return true;
  return !REACHES_OUT.test(
    said.replace(URLS, (whole, ref: string) => (INNER_REF.test(unquoted(ref).trim()) ? '' : whole)),
  );
}

/** Declarations of a style attribute, without those that reach out. */
export const cleanDeclarations = (style: string): string =>
  staysInside(style)
    ? style
    : style
        .split(';')
        .filter((declaration) => staysInside(declaration))
        .join(';');

/** A sheet of style, without the rules that reach out; one that cannot be told apart into rules goes whole. */
export function cleanSheet(css: string): string {
  if (staysInside(css)) return css;
  return spelt(css)
    .replace(/@(import|namespace|charset)[^;{}@]*(;|$)/gi, '')
    .split('}')
    .map(ruleOf)
    .filter((rule) => rule !== '' && staysInside(rule))
    .join('\n');
}

/** The innermost rule that a piece of a sheet ends in. */
function ruleOf(piece: string): string {
  const open = piece.lastIndexOf('{');
  return open < 0 ? '' : `${piece.slice(piece.lastIndexOf('{', open - 1) + 1)}}`;
}
