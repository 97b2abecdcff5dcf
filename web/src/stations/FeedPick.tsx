import type { ReactNode } from 'react';
import type { Workshop } from '@zippy/core';
import { Pick } from '../ui/Pick.tsx';

export interface Feed {
  readonly printerId: string;
  readonly pathId: string;
}

const NEAREST = 'nearest';

/** A printer and a way through it. */
export function FeedPick({
  label,
  value,
  workshop,
  onChange,
  nearest,
}: {
  readonly label: string;
  readonly value: Feed | null;
  readonly workshop: { readonly printers: Workshop['printers'] };
  readonly onChange: (feed: Feed | null) => void;
  /** The name of what is taken where nothing is chosen; without it something always is. */
  readonly nearest?: string;
}): ReactNode {
  return (
    <Pick
      label={label}
      value={value ? `${value.printerId}/${value.pathId}` : NEAREST}
      onChange={(id) => {
        const [printerId = '', pathId = ''] = id.split('/');
        onChange(id === NEAREST ? null : { printerId, pathId });
      }}
      sections={[
        ...(nearest === undefined
          ? []
          : [{ heading: null, options: [{ id: NEAREST, name: `The nearest: ${nearest}` }] }]),
        ...workshop.printers.map((printer) => ({
          heading: printer.name,
          options: printer.paths.map((path) => ({
            id: `${printer.id}/${path.id}`,
            name: path.name,
            fullName: `${printer.name}, ${path.name}`,
            note: `${path.bends === undefined ? '' : path.bends ? 'bent, ' : 'straight, '}up to ${path.heaviestGsm} gsm`,
          })),
        })),
      ]}
    />
  );
}
