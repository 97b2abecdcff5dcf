export { SheetBench } from './SheetBench.tsx';
export { SheetSlip } from './SheetSlip.tsx';
