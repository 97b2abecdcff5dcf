/** What is shown to choose from; a list is known by what stands in it, whatever it is called. */
export const LISTS: readonly string[] = [
  '.xlsx',
  '.ods',
  '.csv',
  '.tsv',
  '.txt',
  '.vcf',
  'text/csv',
  'text/vcard',
  'text/tab-separated-values',
  'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  'application/vnd.oasis.opendocument.spreadsheet',
];
