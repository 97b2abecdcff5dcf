import { useState, type ReactNode } from 'react';
import { api } from '../api/client.ts';
import { PlainButton } from '../ui/buttons.tsx';

/** Asks for the PDF and hands it over. */
export function SharedPdf({ order }: { readonly order: Parameters<typeof api.sharedPdf>[0] }): ReactNode {
  const [state, setState] = useState<{ readonly busy: boolean; readonly why: string | null }>({
    busy: false,
    why: null,
  });
  const write = async (): Promise<void> => {
    setState({ busy: true, why: null });
    try {
      await api.sharedPdf(order);
      setState({ busy: false, why: null });
    } catch (problem) {
      setState({ busy: false, why: (problem as Error).message });
    }
  };
  return (
    <div>
      <PlainButton isDisabled={state.busy} onPress={() => void write()}>
        ↓ Shared sheets to print, PDF
      </PlainButton>
      {state.why && <p role="alert">{state.why}</p>}
    </div>
  );
}
