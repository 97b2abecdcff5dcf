import styled from 'styled-components';
import { BenchAndSlip } from '../../bench/BenchAndSlip.tsx';

/** What was found stays in sight while the readings are typed. */
export const Layout = styled(BenchAndSlip)`
  h3 {
    margin-top: 6px;
    padding-top: 10px;
    border-top: 1px solid ${({ theme }) => theme.colour.rule};
    font-size: 16px;
  }
  .found {
    position: sticky;
    top: -18px;
    z-index: 1;
    display: grid;
    gap: 10px;
    margin: -18px -20px 0;
    padding: 18px 20px 12px;
    border-bottom: 1px solid ${({ theme }) => theme.colour.rule};
    background: ${({ theme }) => theme.colour.paper};
  }
  .found > p {
    margin: 0;
    font-size: 17px;
  }
  .how {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
`;
