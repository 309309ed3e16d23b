import { MOVED, MOVED_KINDS, type MovedKind } from '../core/years/ledger.ts';
import { G_PER_LB, type UnitChoice } from '../core/units/show.ts';

/** What is carried onto a bed or off it, by name. */
export const MOVED_NAMES: Record<MovedKind, string> = {
  compost: 'Garden compost',
  manure: 'Stable manure',
  'hen-manure': 'Hen manure',
  straw: 'Straw',
  grass: 'Grass clippings',
  leaves: 'Leaves',
  chips: 'Wood chips',
  feed: 'Feed from a bag',
  harvest: 'Harvest',
  tops: 'Tops or residue',
  hay: 'Hay',
};

export const MOVED_OPTIONS = MOVED_KINDS.map(
  (k) => [k, `${MOVED_NAMES[k]} ${MOVED[k].way === 'on' ? 'on' : 'off'}`] as const,
);

/** Barrows and crates: whole kilograms or pounds, tenths under ten. */
export function carriedMass(kg: number, units: UnitChoice): string {
  const [n, unit] = units.mass === 'imperial' ? [(kg * 1000) / G_PER_LB, 'lb'] : [kg, 'kg'];
  return `${Number(n.toFixed(n < 10 ? 1 : 0))} ${unit}`;
}

export const movedWords = (
  { what, kg, nitrogenPct }: { what: MovedKind; kg: number; nitrogenPct?: number | undefined },
  units: UnitChoice,
): string =>
  `${carriedMass(kg, units)} ${MOVED_NAMES[what].toLowerCase()} ${MOVED[what].way === 'on' ? 'onto the bed' : 'off the bed'}${nitrogenPct === undefined ? '' : `, ${nitrogenPct} % nitrogen`}`;
