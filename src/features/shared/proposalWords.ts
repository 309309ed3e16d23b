import { methods } from '../../catalogue/catalogue.ts';
import { type Proposal, type ShareChange } from '../../core/share/types.ts';
import { showLength, showPerArea, type UnitChoice } from '../../core/units/show.ts';
import { showDay } from '../../ui/dates.ts';
import { METHOD_SHORT } from '../../ui/methodWords.ts';
import { showMinutes } from '../../ui/workWords.ts';

const short = (id: string): string =>
  METHOD_SHORT[id] ?? methods.find((m) => m.id === id)?.name.toLowerCase() ?? id;
const KIND_WORDS: Record<string, string> = {
  'opaque-sheet': 'sheet',
  'clear-film': 'clear film',
  'hen-pen': 'pen with hens',
  'pig-fence': 'pair of pigs and a fence',
  'stock-fence': 'few sheep and a fence',
};

/** What a proposal asks the gardener to do, in a few words. */
export function proposalTitle(
  p: Pick<Proposal, 'kind' | 'changes' | 'wanted'>,
  nameOf: (thingId: string) => string,
  cropOf: (coverId: string) => string,
  units: UnitChoice,
): string {
  const c = p.changes[0]!;
  switch (p.kind) {
    case 'move':
      return `Begin bed ${c.bed} on ${showDay(c.startDay)}`;
    case 'other-thing':
      return `${c.thingIds.map(nameOf).join(' and ')} on bed ${c.bed} instead`;
    case 'other-way':
      return `Bed ${c.bed}: ${short(c.method)} instead, ${showDay(c.startDay)}`;
    case 'plant-later':
      return `Plant ${cropOf(c.coverId).toLowerCase()} on bed ${c.bed} ${c.plantBy_d / 7 === 1 ? 'a week' : `${c.plantBy_d / 7} weeks`} later`;
    case 'one-over-both':
      return `${c.thingIds.map(nameOf).join(' and ')} over beds ${p.changes.map((x) => x.bed).join(' and ')} and their path`;
    case 'borrow': {
      const w = p.wanted!;
      const size =
        w.width_m && w.length_m
          ? ` of ${showLength(w.width_m, units)} x ${showLength(w.length_m, units)} or more`
          : '';
      return `Borrow or buy a ${KIND_WORDS[w.of] ?? w.of}${size}`;
    }
  }
}

/** Differences that are worth a word. */
const SPEAKS = { odds: 0.02, nitrogen: 0.3, residue: 20, served: 0.02, minutes: 10 };

/** What a change costs or gives one bed: odds first, then what its aims and hands feel. */
export function changeCosts(c: ShareChange, units: UnitChoice): string {
  const parts: string[] = [];
  const odds = c.after.inTime - c.before.inTime;
  if (Math.abs(odds) >= SPEAKS.odds)
    parts.push(
      `ready in ${Math.round(c.after.inTime * 100)} years of 100 in place of ${Math.round(c.before.inTime * 100)}`,
    );
  const served = c.after.served - c.before.served;
  if (Math.abs(served) >= SPEAKS.served) {
    const n = c.after.nitrogen_g_m2 - c.before.nitrogen_g_m2;
    const r = c.after.residue_g_m2 - c.before.residue_g_m2;
    const figures = [
      Math.abs(n) >= SPEAKS.nitrogen &&
        `${showPerArea(Math.abs(n), units)} ${n > 0 ? 'more' : 'less'} nitrogen`,
      Math.abs(r) >= SPEAKS.residue && `${showPerArea(Math.abs(r), units)} ${r > 0 ? 'more' : 'less'} mulch`,
    ].filter(Boolean);
    parts.push(
      `its aims ${Math.round(Math.abs(served) * 100)} % ${served > 0 ? 'better' : 'worse'} served${figures.length > 0 ? ` (${figures.join(', ')})` : ''}`,
    );
  }
  const minutes = c.after.minutes - c.before.minutes;
  if (Math.abs(minutes) >= SPEAKS.minutes)
    parts.push(`${showMinutes(Math.abs(minutes))} ${minutes > 0 ? 'more' : 'less'} work`);
  return `bed ${c.bed}: ${parts.length > 0 ? parts.join(', ') : 'nothing lost'}`;
}
