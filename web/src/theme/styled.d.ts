import 'styled-components';
import type { Tokens } from './tokens.ts';

declare module 'styled-components' {
  // Typed theme: a colour that is not a token does not compile.
  // eslint-disable-next-line @typescript-eslint/no-empty-object-type
  export interface DefaultTheme extends Tokens {}
}
