import type { ComponentType } from 'react';
import type { Station } from '@zippy/core';
import { ArtBench, ArtSlip } from './art/Art.tsx';
import { BriefBench, BriefSlip } from './brief/Brief.tsx';
import { CreaseBench, CreaseSlip } from './crease/Crease.tsx';
import { CutBench, CutSlip } from './cut/Cut.tsx';
import { EnvelopeBench, EnvelopeSlip } from './envelope/Envelope.tsx';
import { MakeBench, MakeSlip } from './make/Make.tsx';
import type { StationProps } from './parts.ts';
import { SellBench, SellSlip } from './sell/Sell.tsx';
import { SheetBench, SheetSlip } from './sheet/Sheet.tsx';
import { SizeBench, SizeSlip } from './size/Size.tsx';
import { StockBench, StockSlip } from './stock/Stock.tsx';

/** What the bench and the slip show at each station. */
export const STATION_PARTS: Readonly<
  Record<Station, { readonly Bench: ComponentType<StationProps>; readonly Slip: ComponentType<StationProps> }>
> = {
  brief: { Bench: BriefBench, Slip: BriefSlip },
  size: { Bench: SizeBench, Slip: SizeSlip },
  art: { Bench: ArtBench, Slip: ArtSlip },
  stock: { Bench: StockBench, Slip: StockSlip },
  sheet: { Bench: SheetBench, Slip: SheetSlip },
  cut: { Bench: CutBench, Slip: CutSlip },
  crease: { Bench: CreaseBench, Slip: CreaseSlip },
  envelope: { Bench: EnvelopeBench, Slip: EnvelopeSlip },
  make: { Bench: MakeBench, Slip: MakeSlip },
  sell: { Bench: SellBench, Slip: SellSlip },
};
