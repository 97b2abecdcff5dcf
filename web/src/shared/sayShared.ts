import { plural, sayMoney, type MixedOrder, type MixedPlan, type Workshop } from '@zippy/core';

/** What has been found so far, and how much better it could be. */
export function sayShared(
  plan: MixedPlan | null,
  state: string,
  order: MixedOrder,
  goal: 'sheets' | 'cost',
  workshop: Workshop,
): string {
  if (!plan) {
    if (order.pieces.length === 0) return 'Pieces of several jobs on the fewest sheets, or the cheapest.';
    const wanted = order.pieces.reduce((n, piece) => n + piece.wanted, 0);
    const what = `${order.pieces.length} ${plural(order.pieces.length, 'kind')}, ${wanted} ${plural(wanted, 'piece')}`;
    return order.sheets.length === 0 ? `${what}. Choose a sheet to cut them from.` : `${what}, ready to be laid out.`;
  }
  const sizes = [...new Set(plan.patterns.map((p) => p.sheetId))].map((id) => {
    const n = plan.patterns.filter((p) => p.sheetId === id).reduce((sum, p) => sum + p.times, 0);
    return `${n} of ${workshop.stocks.find((s) => s.id === id)!.name}`;
  });
  const made = `${plan.sheets} ${plural(plan.sheets, 'sheet')}${sizes.length > 1 ? ` (${sizes.join(', ')})` : ''} in ${plan.patterns.length} ${plural(plan.patterns.length, 'layout')}`;
  if (state === 'seeking') return `${made} so far; still looking for better.`;
  const say = (n: number): string => (goal === 'cost' ? sayMoney(Math.ceil(n - 1e-6), workshop) : String(n));
  const cost = goal === 'cost' ? `, ${say(plan.cost)}` : '';
  if (state === 'stopped' && plan.bound === 0) return `${made}${cost}: the best found when you stopped it.`;
  return plan.cost - plan.bound < (goal === 'cost' ? 0.5 : 1e-6)
    ? `${made}${cost}. No edge-to-edge layout of these pieces takes less.`
    : `${made}${cost}. Nothing under ${say(plan.bound)} is possible, so at most ${say(plan.cost - plan.bound)} could be saved.`;
}
