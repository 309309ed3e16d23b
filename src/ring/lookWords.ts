import { speciesOf } from '../catalogue/catalogue.ts';
import { showLength, showMass, type UnitChoice } from '../core/units/show.ts';
import type { Look } from '../records/types.ts';
import { STAGE_WORDS } from '../ui/methodWords.ts';

const stage = (s: string): string => STAGE_WORDS[s]!.name.toLowerCase();
const percent = (share: number): string => `${Math.round(share * 100)} %`;

const CRUMB = {
  loose: 'loose grains',
  crumbs: 'crumbs',
  clods: 'hard clods',
  plates: 'flat plates',
} as const;
const SMELL = { sweet: 'sweet', faint: 'hardly any smell', sour: 'sour' } as const;
const WEEDS = { grasses: 'grasses', broad: 'broad-leaved', creeping: 'creeping' } as const;
/** What lives in a cover, in words. */
export const PEST = {
  slugs: 'slugs',
  aphids: 'aphids',
  'flea-beetles': 'flea beetles',
  caterpillars: 'caterpillars',
  wireworm: 'wireworm',
  voles: 'voles or mice',
  birds: 'birds',
} as const;

/** Soil as it was found, in words. */
export const soilWords = (s: NonNullable<Look['soil']>, units: UnitChoice): string =>
  `soil easy to ${showLength(s.depth_cm / 100, units)}, ${s.worms} worms a spade, ${CRUMB[s.crumb]}, ${SMELL[s.smell]}`;

/** A look in one line: what was seen of the whole, then kind by kind. */
export function lookWords(l: Look, units: UnitChoice): string {
  const kinds = l.members.map((m) =>
    [
      speciesOf(m.speciesId).name.toLowerCase(),
      m.stage && stage(m.stage),
      m.squeeze && `squeezed: ${m.squeeze}`,
      m.tens && `${m.tens.reached} of ${m.tens.of} come to ${stage(m.tens.stage)}`,
      m.alive !== null && `${percent(m.alive)} alive`,
      m.count && `${m.count.plants} plants on ${m.count.area_m2} m²`,
    ]
      .filter(Boolean)
      .join(' '),
  );
  return [
    l.emergence && `up: ${l.emergence}`,
    l.cover !== null && `${percent(l.cover)} covered`,
    l.height_m !== null && `${showLength(l.height_m, units)} high`,
    l.bulk && bulkWords(l.bulk, units),
    l.alive !== null && `${percent(l.alive)} alive`,
    l.stage && stage(l.stage),
    l.weeds && `${l.weeds} weeds${l.weedKinds ? ` (${l.weedKinds.map((k) => WEEDS[k]).join(', ')})` : ''}`,
    ...kinds,
    l.crowns && `${l.crowns.green} of ${l.crowns.of} crowns green`,
    l.pests && (l.pests.length > 0 ? l.pests.map((p) => PEST[p]).join(', ') : 'nothing that eats'),
    l.soil && soilWords(l.soil, units),
    l.note,
  ]
    .filter(Boolean)
    .join(', ');
}

/** A weighed frame, and what it comes to on a square metre. */
const bulkWords = ({ fresh_kg, area_m2 }: NonNullable<Look['bulk']>, units: UnitChoice): string =>
  `${showMass(fresh_kg * 1000, units)} fresh cut from ${Number(area_m2.toPrecision(2))} m², ${showMass((fresh_kg * 1000) / area_m2, units)} on a square metre`;
