/** What a chooser of pictures shows: by kind, and by ending where a browser knows no kind for it. */
export const PICTURES = [
  ...['image/png', 'image/jpeg', 'image/svg+xml', 'image/webp', 'image/avif', 'image/tiff', 'image/gif'],
  ...['image/heic', 'image/heif', 'application/pdf'],
  ...['.svg', '.tif', '.tiff', '.heic', '.heif', '.pdf'],
];
