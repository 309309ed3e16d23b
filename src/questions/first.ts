import { coverName, cropOf, membersOf, speciesOf, usualWay } from '../catalogue/catalogue.ts';
import { type AimStrands } from '../core/aims/aims.ts';
import { type Day, dayOf } from '../core/calendar/day.ts';
import { offerAims } from '../core/choose/begin.ts';
import { type ChooseInput } from '../core/choose/input.ts';
import { type Candidate, type Sample } from '../core/choose/sample.ts';
import { keptWorth } from '../core/plan/endings.ts';
import { type EndingAnswer } from '../core/plan/answers.ts';
import { datedPasses, type DatedPass } from '../core/plan/passes.ts';
import { packetUse, type PacketUse } from '../core/seed/packet.ts';
import { standShares } from '../core/seed/rate.ts';
import { liveShare, USUAL_SEED } from '../core/seed/weight.ts';
import { type Site } from '../core/site/site.ts';
import { type Ground } from '../core/units/length.ts';
import { type UnitChoice } from '../core/units/show.ts';
import type { Bed, Cover, Garden, Lot, Planting, Recipe } from '../records/types.ts';
import { coverOf, onBed } from './draft.ts';
import { freshBed, freshGarden } from './fresh.ts';
import { bedNotes, gapQuestion, poured } from './gap.ts';
import { nextCropOf } from './methods.ts';

/** What is printed on a packet. */
export interface Packet {
  /** Name of a mix; empty for one kind. */
  name: string;
  /** Kinds with their shares by weight as printed, in whatever they add up to. */
  parts: { speciesId: string; share: number }[];
  weight_g: number | null;
  price: number | null;
  /** Rate on the bag; null where none is printed. */
  rate_g_m2: number | null;
}

/** All that somebody says who has one bed and one packet. */
export interface FirstSaid {
  gardenName: string;
  bedName: string;
  site: Site;
  siteFrom: string;
  units: UnitChoice;
  tools: string[];
  ground: Ground;
  before: string;
  free: string;
  nextId: string;
  way: 'transplant' | 'seed';
  plantOn: string;
  packet: Packet;
}

/** The records that come of it. */
export interface FirstRecords {
  garden: Garden;
  bed: Bed;
  /** The packet as it is kept: a mix with its parts, rate and price, or one kind on the shelf. */
  recipe: Recipe | null;
  lot: Lot | null;
}

const scaled = (parts: Packet['parts']): Packet['parts'] => {
  const sum = parts.reduce((s, p) => s + p.share, 0);
  return parts.map((p) => ({ ...p, share: p.share / sum }));
};

/** A garden of one bed with a packet on its shelf. */
export function firstRecords(
  said: FirstSaid,
  hands: { newId(): string; now(): string },
  today: string,
): FirstRecords {
  const { packet } = said;
  const parts = scaled(packet.parts);
  const garden = freshGarden({
    id: hands.newId(),
    name: said.gardenName,
    site: said.site,
    siteFrom: said.siteFrom,
    units: said.units,
    tools: said.tools,
    createdAt: hands.now(),
  });
  const gardenId = garden.id;
  const pack =
    packet.weight_g !== null && packet.price !== null
      ? [{ size_g: packet.weight_g, price: packet.price }]
      : [];
  const lead = parts[0]!.speciesId;
  const mix = parts.length > 1 || packet.rate_g_m2 !== null;
  return {
    garden: mix || pack.length === 0 ? garden : { ...garden, packs: { [lead]: pack } },
    bed: freshBed({ id: hands.newId(), gardenId, name: said.bedName, order: 0, ...said.ground }),
    recipe: mix
      ? {
          id: hands.newId(),
          gardenId,
          name: packet.name || coverName(parts),
          parts,
          ready: true,
          packs: pack,
          rate_g_m2: packet.rate_g_m2,
        }
      : null,
    lot:
      !mix && packet.weight_g !== null
        ? {
            id: hands.newId(),
            gardenId,
            speciesId: lead,
            label: packet.name || `Packet of ${speciesOf(lead).name.toLowerCase()}`,
            year: Number(today.slice(0, 4)),
            left_g: packet.weight_g,
            treated: false,
            purity: USUAL_SEED.purity,
            coating: 0,
            test: null,
            free: false,
          }
        : null,
  };
}

export const PACKET_ID = 'packet';

/** The packet as a cover that might hang in the gap. */
function candidateOf(packet: Packet): Candidate {
  const parts = membersOf(scaled(packet.parts));
  return {
    id: PACKET_ID,
    name: packet.name || coverName(packet.parts),
    // Shares on a packet are by weight; what stands in the bed comes of the sizes of seed.
    members: parts.length > 1 ? standShares(parts) : parts,
    poured_g_m2: packet.rate_g_m2 === null ? undefined : poured(parts, packet.rate_g_m2),
    from: packet.parts.length > 1 || packet.rate_g_m2 !== null ? 'packet' : undefined,
  };
}

/** The question of the one bed: just the packet, or with `all` every cover there is. */
export function firstQuestion(
  said: FirstSaid,
  records: Pick<FirstRecords, 'garden' | 'bed'>,
  years: number,
  all = false,
): { asked: ChooseInput; aims: AimStrands[] } {
  const { garden, bed } = records;
  const [freeDay, plantDay] = [dayOf(said.free), dayOf(said.plantOn)];
  const crop = nextCropOf(said.nextId, said.way);
  const notes = bedNotes({ bed, plantings: [], covers: [] }, freeDay, said.before);
  const aims = offerAims(garden.site, crop, bed.soil, notes, freeDay, plantDay).map(({ id, strands }) => ({
    id,
    strands,
  }));
  const asked = gapQuestion(
    { garden, bed, plantings: [], covers: [], recipes: [], lots: [] },
    {
      wayId: usualWay.id,
      freeDay,
      plantDay,
      nextId: said.nextId,
      nextWay: said.way,
      before: said.before,
      aims,
      years,
    },
  );
  return { asked: all ? asked : { ...asked, candidates: [candidateOf(said.packet)] }, aims };
}

/** What a newcomer is told. */
export interface FirstAnswer {
  sowDay: Day;
  use: PacketUse;
  /** Depth that does for all its kinds, mm. */
  depth_mm: { from: number; to: number };
  passes: DatedPass[];
  best: EndingAnswer | undefined;
  /** The next best way to end it, where one does as well or nearly. */
  other: { ending: EndingAnswer; passes: DatedPass[] } | undefined;
}

const THROWS = 2;
/** A second way is told where it is ready in so many years. */
const LEAST_ODDS = 0.5;

/** The answer to one bed and one packet. */
export function firstAnswer(
  sample: Sample,
  said: FirstSaid,
  { asked, aims }: { asked: ChooseInput; aims: AimStrands[] },
): FirstAnswer {
  const plantDay = dayOf(said.plantOn);
  const kinds = sample.parts.map((p) => speciesOf(p.speciesId).seed);
  const perM2 = said.packet.rate_g_m2 ?? sample.seed_g_m2.reduce((a, b) => a + b, 0) / liveShare(USUAL_SEED);
  const shallow = Math.max(...kinds.map((k) => k.depthMin_mm));
  const stepsOf = (e: EndingAnswer): DatedPass[] => {
    const method = asked.methods.find((m) => m.id === e.method);
    return method ? datedPasses(method.passes, e, plantDay) : [];
  };
  const worth = (e: EndingAnswer) => keptWorth(e, aims);
  const other = sample.endings
    .filter(
      (e) =>
        e.method !== sample.best?.method && sample.usable.includes(e.method) && e.odds.inTime >= LEAST_ODDS,
    )
    .sort((a, b) => worth(b) - worth(a))[0];
  return {
    sowDay: sample.sowDay,
    use: packetUse(perM2 * said.ground.area_m2, said.packet.weight_g, THROWS),
    depth_mm: { from: shallow, to: Math.max(shallow, Math.min(...kinds.map((k) => k.depthMax_mm))) },
    passes: sample.best ? stepsOf(sample.best) : [],
    best: sample.best,
    other: other && { ending: other, passes: stepsOf(other) },
  };
}

/** What is written when the answer is taken: the cover and the crops on either side of it. */
export function firstPlan(
  sample: Sample,
  said: FirstSaid,
  { garden, bed, lot }: FirstRecords,
  aims: AimStrands[],
  today: string,
  newId: () => string,
): { cover: Cover; plantings: Planting[] } {
  const draft = coverOf(sample, bed, { wayId: usualWay.id, plantOn: said.plantOn }, aims, garden, today);
  const cover = {
    ...draft,
    seed: draft.seed.map((s) => ({ ...s, lotId: lot?.speciesId === s.speciesId ? lot.id : null })),
  };
  return onBed(cover, bed, {}, said, today, newId);
}

/** How a crop is planted where nobody says. */
export const cropWay = (cropId: string): 'transplant' | 'seed' => cropOf(cropId).ways[0]!;
