import { sidePages, whiteOn } from '../facePages.ts';
import { ExportRefused, type Draft, type Exporter } from '../types.ts';

/** The open blank as a print house takes it: a file for each printed side, as that side is seen, folds and all. */
export const side: Exporter<'pdf'> = ({ plan, job }, _, name): readonly Draft[] => {
  const pages = sidePages(plan);
  if (pages.length === 0)
    throw new ExportRefused('No face carries any art yet, so there is no side to write: put some on at Art first.');
  return pages.map(({ side: which, page }) => ({
    kind: 'pages',
    stem: `${name}-${which}`,
    title: `${job.brief.title}: ${which}`,
    pages: [{ page, white: whiteOn(plan, page) }],
    total: pages.length,
  }));
};
