import 'styled-components';
import type { Tokens } from './tokens.ts';

declare module 'styled-components' {
  // eslint-disable-next-line @typescript-eslint/no-empty-object-type -- typed theme: a colour that is not a token does not compile
  export interface DefaultTheme extends Tokens {}
}
