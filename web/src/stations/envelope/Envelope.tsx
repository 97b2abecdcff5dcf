export { EnvelopeBench } from './EnvelopeBench.tsx';
export { EnvelopeSlip } from './EnvelopeSlip.tsx';
