import abrilFatface400 from '@fontsource/abril-fatface/files/abril-fatface-latin-400-normal.woff?url';
import abrilFatface400Ext from '@fontsource/abril-fatface/files/abril-fatface-latin-ext-400-normal.woff?url';
import amaticSc700 from '@fontsource/amatic-sc/files/amatic-sc-latin-700-normal.woff?url';
import amaticSc700Ext from '@fontsource/amatic-sc/files/amatic-sc-latin-ext-700-normal.woff?url';
import atkinsonHyperlegibleNext400 from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url';
import atkinsonHyperlegibleNext400Ext from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff?url';
import atkinsonHyperlegibleNext700 from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url';
import atkinsonHyperlegibleNext700Ext from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-700-normal.woff?url';
import caveat400 from '@fontsource/caveat/files/caveat-latin-400-normal.woff?url';
import caveat400Ext from '@fontsource/caveat/files/caveat-latin-ext-400-normal.woff?url';
import caveat700 from '@fontsource/caveat/files/caveat-latin-700-normal.woff?url';
import caveat700Ext from '@fontsource/caveat/files/caveat-latin-ext-700-normal.woff?url';
import cinzel400 from '@fontsource/cinzel/files/cinzel-latin-400-normal.woff?url';
import cinzel400Ext from '@fontsource/cinzel/files/cinzel-latin-ext-400-normal.woff?url';
import cormorantGaramond500 from '@fontsource/cormorant-garamond/files/cormorant-garamond-latin-500-normal.woff?url';
import cormorantGaramond500Ext from '@fontsource/cormorant-garamond/files/cormorant-garamond-latin-ext-500-normal.woff?url';
import cormorantGaramond500Italic from '@fontsource/cormorant-garamond/files/cormorant-garamond-latin-500-italic.woff?url';
import cormorantGaramond500ItalicExt from '@fontsource/cormorant-garamond/files/cormorant-garamond-latin-ext-500-italic.woff?url';
import dancingScript500 from '@fontsource/dancing-script/files/dancing-script-latin-500-normal.woff?url';
import dancingScript500Ext from '@fontsource/dancing-script/files/dancing-script-latin-ext-500-normal.woff?url';
import ebGaramond400 from '@fontsource/eb-garamond/files/eb-garamond-latin-400-normal.woff?url';
import ebGaramond400Ext from '@fontsource/eb-garamond/files/eb-garamond-latin-ext-400-normal.woff?url';
import ebGaramond400Italic from '@fontsource/eb-garamond/files/eb-garamond-latin-400-italic.woff?url';
import ebGaramond400ItalicExt from '@fontsource/eb-garamond/files/eb-garamond-latin-ext-400-italic.woff?url';
import fraunces600 from '@fontsource/fraunces/files/fraunces-latin-600-normal.woff?url';
import fraunces600Ext from '@fontsource/fraunces/files/fraunces-latin-ext-600-normal.woff?url';
import greatVibes400 from '@fontsource/great-vibes/files/great-vibes-latin-400-normal.woff?url';
import greatVibes400Ext from '@fontsource/great-vibes/files/great-vibes-latin-ext-400-normal.woff?url';
import josefinSans400 from '@fontsource/josefin-sans/files/josefin-sans-latin-400-normal.woff?url';
import josefinSans400Ext from '@fontsource/josefin-sans/files/josefin-sans-latin-ext-400-normal.woff?url';
import josefinSans600 from '@fontsource/josefin-sans/files/josefin-sans-latin-600-normal.woff?url';
import josefinSans600Ext from '@fontsource/josefin-sans/files/josefin-sans-latin-ext-600-normal.woff?url';
import kalam400 from '@fontsource/kalam/files/kalam-latin-400-normal.woff?url';
import kalam400Ext from '@fontsource/kalam/files/kalam-latin-ext-400-normal.woff?url';
import libreBaskerville400 from '@fontsource/libre-baskerville/files/libre-baskerville-latin-400-normal.woff?url';
import libreBaskerville400Ext from '@fontsource/libre-baskerville/files/libre-baskerville-latin-ext-400-normal.woff?url';
import lora400 from '@fontsource/lora/files/lora-latin-400-normal.woff?url';
import lora400Ext from '@fontsource/lora/files/lora-latin-ext-400-normal.woff?url';
import parisienne400 from '@fontsource/parisienne/files/parisienne-latin-400-normal.woff?url';
import parisienne400Ext from '@fontsource/parisienne/files/parisienne-latin-ext-400-normal.woff?url';
import playfairDisplay400 from '@fontsource/playfair-display/files/playfair-display-latin-400-normal.woff?url';
import playfairDisplay400Ext from '@fontsource/playfair-display/files/playfair-display-latin-ext-400-normal.woff?url';
import playfairDisplay700Italic from '@fontsource/playfair-display/files/playfair-display-latin-700-italic.woff?url';
import playfairDisplay700ItalicExt from '@fontsource/playfair-display/files/playfair-display-latin-ext-700-italic.woff?url';
import workSans400 from '@fontsource/work-sans/files/work-sans-latin-400-normal.woff?url';
import workSans400Ext from '@fontsource/work-sans/files/work-sans-latin-ext-400-normal.woff?url';
import workSans600 from '@fontsource/work-sans/files/work-sans-latin-600-normal.woff?url';
import workSans600Ext from '@fontsource/work-sans/files/work-sans-latin-ext-600-normal.woff?url';

/** Where the page finds each typeface’s file, and its companion’s; one of the core without a line here fails a test. */
export const FONT_URLS: Readonly<Record<string, string>> = {
  'fraunces-600': fraunces600,
  'fraunces-600-ext': fraunces600Ext,
  'playfair-display-400': playfairDisplay400,
  'playfair-display-400-ext': playfairDisplay400Ext,
  'playfair-display-700-italic': playfairDisplay700Italic,
  'playfair-display-700-italic-ext': playfairDisplay700ItalicExt,
  'abril-fatface-400': abrilFatface400,
  'abril-fatface-400-ext': abrilFatface400Ext,
  'cinzel-400': cinzel400,
  'cinzel-400-ext': cinzel400Ext,
  'eb-garamond-400': ebGaramond400,
  'eb-garamond-400-ext': ebGaramond400Ext,
  'eb-garamond-400-italic': ebGaramond400Italic,
  'eb-garamond-400-italic-ext': ebGaramond400ItalicExt,
  'cormorant-garamond-500': cormorantGaramond500,
  'cormorant-garamond-500-ext': cormorantGaramond500Ext,
  'cormorant-garamond-500-italic': cormorantGaramond500Italic,
  'cormorant-garamond-500-italic-ext': cormorantGaramond500ItalicExt,
  'libre-baskerville-400': libreBaskerville400,
  'libre-baskerville-400-ext': libreBaskerville400Ext,
  'lora-400': lora400,
  'lora-400-ext': lora400Ext,
  'josefin-sans-400': josefinSans400,
  'josefin-sans-400-ext': josefinSans400Ext,
  'josefin-sans-600': josefinSans600,
  'josefin-sans-600-ext': josefinSans600Ext,
  'atkinson-hyperlegible-next-400': atkinsonHyperlegibleNext400,
  'atkinson-hyperlegible-next-400-ext': atkinsonHyperlegibleNext400Ext,
  'atkinson-hyperlegible-next-700': atkinsonHyperlegibleNext700,
  'atkinson-hyperlegible-next-700-ext': atkinsonHyperlegibleNext700Ext,
  'work-sans-400': workSans400,
  'work-sans-400-ext': workSans400Ext,
  'work-sans-600': workSans600,
  'work-sans-600-ext': workSans600Ext,
  'great-vibes-400': greatVibes400,
  'great-vibes-400-ext': greatVibes400Ext,
  'dancing-script-500': dancingScript500,
  'dancing-script-500-ext': dancingScript500Ext,
  'parisienne-400': parisienne400,
  'parisienne-400-ext': parisienne400Ext,
  'caveat-400': caveat400,
  'caveat-400-ext': caveat400Ext,
  'caveat-700': caveat700,
  'caveat-700-ext': caveat700Ext,
  'kalam-400': kalam400,
  'kalam-400-ext': kalam400Ext,
  'amatic-sc-700': amaticSc700,
  'amatic-sc-700-ext': amaticSc700Ext,
};
