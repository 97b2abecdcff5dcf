import atkinson400 from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url';
import atkinson700 from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url';
import caveat400 from '@fontsource/caveat/files/caveat-latin-400-normal.woff?url';
import caveat700 from '@fontsource/caveat/files/caveat-latin-700-normal.woff?url';
import garamond400 from '@fontsource/eb-garamond/files/eb-garamond-latin-400-normal.woff?url';
import garamond400Italic from '@fontsource/eb-garamond/files/eb-garamond-latin-400-italic.woff?url';
import fraunces600 from '@fontsource/fraunces/files/fraunces-latin-600-normal.woff?url';
import greatVibes400 from '@fontsource/great-vibes/files/great-vibes-latin-400-normal.woff?url';
import josefin400 from '@fontsource/josefin-sans/files/josefin-sans-latin-400-normal.woff?url';
import josefin600 from '@fontsource/josefin-sans/files/josefin-sans-latin-600-normal.woff?url';
import playfair700Italic from '@fontsource/playfair-display/files/playfair-display-latin-700-italic.woff?url';

/** Where the page finds each typeface's file; a typeface of the core without a line here fails a test. */
export const FONT_URLS: Readonly<Record<string, string>> = {
  'atkinson-hyperlegible-next-400': atkinson400,
  'atkinson-hyperlegible-next-700': atkinson700,
  'caveat-400': caveat400,
  'caveat-700': caveat700,
  'eb-garamond-400': garamond400,
  'eb-garamond-400-italic': garamond400Italic,
  'fraunces-600': fraunces600,
  'great-vibes-400': greatVibes400,
  'josefin-sans-400': josefin400,
  'josefin-sans-600': josefin600,
  'playfair-display-700-italic': playfair700Italic,
};
