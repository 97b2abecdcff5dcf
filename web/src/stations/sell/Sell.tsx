export { SellBench } from './SellBench.tsx';
export { SellSlip } from './SellSlip.tsx';
