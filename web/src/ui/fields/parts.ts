import { FieldError, Input, Label, Text, TextArea, TextField } from 'react-aria-components';
import styled from 'styled-components';

export const Box = styled(TextField)`
  display: grid;
  gap: 3px;
  min-width: 0;
`;
export const FieldLabel = styled(Label)`
  color: ${({ theme }) => theme.colour.inkQuiet};
  font-size: 14px;
`;
const line = `
  width: 100%;
  min-height: 38px;
  padding: 6px 10px;
  border-radius: 7px;
`;
export const Line = styled(Input)`
  ${line}
  border: 1px solid ${({ theme }) => theme.colour.rule};
  background: ${({ theme }) => theme.colour.white};
  &[data-invalid] {
    border-color: ${({ theme }) => theme.colour.coral};
  }
  &.figures {
    font-family: ${({ theme }) => theme.font.mono};
    font-size: 15px;
  }
`;
export const Area = styled(TextArea)`
  ${line}
  min-height: 74px;
  border: 1px solid ${({ theme }) => theme.colour.rule};
  background: ${({ theme }) => theme.colour.white};
  resize: vertical;
`;
export const Wrong = styled(FieldError)`
  color: ${({ theme }) => theme.colour.coral};
  font-size: 14px;
`;
export const Hint = styled(Text)`
  color: ${({ theme }) => theme.colour.inkQuiet};
  font-size: 13px;
`;
