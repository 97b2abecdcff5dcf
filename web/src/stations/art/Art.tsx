export { ArtBench } from './ArtBench.tsx';
export { ArtSlip } from './ArtSlip.tsx';
