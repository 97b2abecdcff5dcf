/** What a chooser of typefaces shows: by kind, and by ending where a browser knows no kind for it. */
export const TYPEFACE_FILES = ['font/ttf', 'font/otf', 'font/woff', '.ttf', '.otf', '.woff'];
