import type { MechanismId } from '../../../../job/popUps.ts';
import type { Mechanism } from '../types.ts';
import { angledFold } from './angledFold.ts';
import { boxStep } from './boxStep.ts';
import { cutIn } from './cutIn.ts';
import { cutInV } from './cutInV.ts';
import { bridge } from './bridge.ts';
import { fan } from './fan.ts';
import { figure } from './figure.ts';
import { floating } from './floating.ts';
import { lid } from './lid.ts';
import { pull } from './pull.ts';
import { tent } from './tent.ts';
import { slider } from './slider.ts';
import { vFold } from './vFold.ts';
import { wheel } from './wheel.ts';

/** Every mechanism, in the order of the list. A new one is a new file and a line here. */
export const MECHANISMS: readonly Mechanism[] = [
  ...[boxStep, cutIn, cutInV, tent, bridge, vFold, angledFold],
  ...[floating, fan, figure, lid, pull, wheel, slider],
];

/** @throws RangeError when there is no such mechanism */
export function mechanismOf(id: MechanismId): Mechanism {
  const found = MECHANISMS.find((one) => one.id === id);
  if (!found) throw new RangeError(`mechanismOf: no mechanism “${id}”`);
  return found;
}
