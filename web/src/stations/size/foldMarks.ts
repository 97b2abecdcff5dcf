import type { FormatId } from '@zippy/core';

/**
 * Each format as a bent line: the paper seen from its edge, or its outline where that says more. In a box
 * of 40 × 24, drawn by us.
 */
export const FOLD_MARKS: Readonly<Record<FormatId, string>> = {
  flat: 'M4 12H36',
  sideFold: 'M34 4L8 12L34 20',
  tentFold: 'M6 21L20 4L34 21',
  placeCard: 'M10 21L20 9L30 21M4 21H36',
  quarterFold: 'M6 3H34V21H6ZM20 3V21M6 12H34',
  gateFold: 'M5 20H35M5 20V9L18 6M35 20V9L22 6',
  doubleGate: 'M8 20L20 16L32 20M8 20L17 9M32 20L23 9',
  rollFold: 'M6 5H34V20H10V10H28V15H16',
  zigzag: 'M3 20L11 4L19 20L27 4L35 20',
  cascade: 'M4 21V13L12 10V21M12 10L20 7V21M20 7L28 4V21M4 21H28',
  spineFold: 'M34 6H10V18H34',
  gusset: 'M34 5H8L15 12L8 19H34',
  hingedShape: 'M15 4C26 1 34 6 34 12S26 23 15 20ZM15 4V20',
  easel: 'M10 3L20 21M10 3L34 21M14 21H38',
};
