import { type Member } from '../stand/species.ts';
import { type EndingAnswer } from '../plan/answers.ts';
import { type NextCrop } from '../residue/wait.ts';
import { AVAILABLE_WATER_MM, type Soil } from '../soil/soil.ts';
import { power } from '../units/exact.ts';
import { type Factor } from './factor.ts';
import { type InSeason } from './season.ts';
import { type Trouble } from '../stand/troubles.ts';

/** What is known of the bed beside its soil. */
export interface BedNotes {
  /** Families grown on the bed, crops and covers, with the years since they left. */
  families: { family: string; yearsAgo: number }[];
  troubles: Trouble[];
  shade: 'open' | 'part' | 'deep';
  surface: 'clean' | 'weedy' | 'sod';
}

/** A cover of the next crop's own family carries its pests and diseases over; grasses do so least. */
const SAME_FAMILY = 0.5;
const SAME_FAMILY_GRASS = 0.85;
/** Share of a mix from which its hosts feed a pest or a soil-borne disease as well as a whole stand of them would (judgement). */
const HOSTS_FROM = 0.4;
/** A family that was here counts by how long ago: this year and last in full, then fading over four years (the usual rotation). */
const FADES = [1, 1, 0.6, 0.35, 0.15];
const FAMILY_BEFORE = 0.3;
const POOR_BEFORE = 0.82;
const GOOD_BEFORE = 1.02;
const TROUBLE = 0.55;
const HELPS = 1.06;
/** What the gardener keeps or has bought comes before its equal in a catalogue. */
const OWN_SEED = 1.04;
/** Members that die before their work is due leave gaps, even where the rest fills them. */
const THINNED = 0.35;
const WORTH_SAYING = 0.7;
const LITTLE_KNOWN = 0.88;
/** Kinds of light, sour ground on other soils: where its lime is not known, half of such beds will not do. */
const HEAVY_GROUND = { loam: 0.75, clay: 0.55 } as const;
/** Residue that a crop with full tolerance takes in its stride, and the span over which more of it is ever more in the way, t/ha. */
const BORNE_T_HA = 6;
const IN_THE_WAY_T_HA = 4;
const IN_THE_WAY_COSTS = 0.4;
/** What frost killed months ago is brittle and rakes aside in minutes. */
const BRITTLE = 0.4;
/** Water taken from the next crop, as a share of what the root zone holds, costs this much of the fit. */
const THIRST = 0.35;
const THIRST_FROM_MM = 12;
/** With water at hand it costs only the watering. */
const WATERED_THIRST = 0.3;
/** Seed never goes into living sod: raked, a quarter of it finds ground. */
const SOD = 0.4;
const PART_SHADE = 0.3;
const DEEP_SHADE = 0.6;

interface Asked {
  members: Member[];
  next: NextCrop;
  soil: Soil;
  bed: BedNotes;
  best: EndingAnswer | undefined;
  /** Share of each member alive when its work is due, 0..1. */
  survives: readonly number[];
  season: InSeason;
  /** What the ground's water does to these kinds. */
  waters?: Factor[];
  /** There is water for the next crop. */
  watered: boolean;
  /** Where the seed comes from, when it is the gardener's own. */
  from?: 'mix' | 'packet' | 'shelf';
}

const GROUP_OF_FAMILY: Record<string, string> = {
  Brassicaceae: 'brassicas',
  Fabaceae: 'legumes',
  Amaryllidaceae: 'alliums',
  Cucurbitaceae: 'cucurbits',
  Solanaceae: 'solanaceae',
};
/** Groups that say how a crop goes in, not what it is: nearly every cover is welcome before transplants. */
const WAYS_OF_PLANTING = new Set(['transplants', 'small-seeded', 'large-seeded']);

/** Groups of crops as the catalogue's `goodBefore` and `avoidBefore` name them. */
export function groupsOf(next: NextCrop): Set<string> {
  const out = new Set<string>();
  if (next.way === 'transplant') out.add('transplants');
  else out.add(next.seedSize === 'tiny' || next.seedSize === 'small' ? 'small-seeded' : 'large-seeded');
  const group = GROUP_OF_FAMILY[next.family];
  if (group) out.add(group);
  if (next.root) out.add('roots');
  if (next.nitrogenNeed_g_m2 >= HEAVY_FEEDER_G_M2) out.add('heavy-feeders');
  return out;
}
const HEAVY_FEEDER_G_M2 = 15;

/** A cover of the next crop's family, or one that has some of it in its mix. */
function sameFamily(members: readonly Member[], next: NextCrop): Factor | undefined {
  const kin = members
    .filter(({ species }) => species.family === next.family)
    .sort((a, b) => b.share - a.share);
  const [first] = kin;
  if (!first) return undefined;
  const weight = Math.min(1, kin.reduce((sum, m) => sum + m.share, 0) / HOSTS_FROM);
  const worst = first.species.role === 'grass' ? SAME_FAMILY_GRASS : SAME_FAMILY;
  return {
    code: 'same-family',
    times: 1 - weight * (1 - worst),
    facts: { species: first.species.name, crop: next.name, family: next.family },
  };
}

/** All that is known, as factors of the fit; those of one member count by its share. */
export function whatIsKnown(asked: Asked): Factor[] {
  const out: Factor[] = [];
  const { members, next, bed, best } = asked;
  const add = (code: Factor['code'], times: number, facts: Factor['facts']) =>
    out.push({ code, times, facts });
  const shared = (m: Member, times: number) => 1 - m.share * (1 - times);
  out.push(...asked.season.factors, ...(asked.waters ?? []));

  const kin = sameFamily(members, next);
  if (kin) out.push(kin);
  const groups = groupsOf(next);
  const notWinterkill = best !== undefined && best.method !== 'winterkill' && best.method !== 'summerkill';
  for (const [i, m] of members.entries()) {
    const { species } = m;
    const facts = { species: species.name };
    if (species.family !== next.family && species.role !== 'grass') {
      const ago = Math.min(...bed.families.filter((f) => f.family === species.family).map((f) => f.yearsAgo));
      const weight = FADES[Math.max(0, Math.floor(ago))] ?? 0;
      if (weight > 0)
        add('family-before', shared(m, 1 - FAMILY_BEFORE * weight), {
          ...facts,
          family: species.family,
          years: Math.max(0, ago),
        });
    }
    // Its own family has been spoken of already.
    const own = species.family === next.family ? GROUP_OF_FAMILY[next.family] : undefined;
    const poor = species.avoidBefore.filter((g) => groups.has(g) && g !== own);
    const welcome = species.goodBefore.find((g) => groups.has(g) && !WAYS_OF_PLANTING.has(g));
    if (poor.length > 0)
      add('poor-before', shared(m, power(POOR_BEFORE, poor.length)), {
        ...facts,
        crop: next.name,
        group: poor[0]!,
        days: species.smallSeedWait_d,
      });
    else if (welcome)
      add('good-before', shared(m, GOOD_BEFORE), { ...facts, crop: next.name, group: welcome });
    for (const trouble of bed.troubles)
      if (m.species.troubles.feeds.includes(trouble))
        add('trouble', shared(m, TROUBLE), { ...facts, trouble });
    const survives = asked.survives[i] ?? 1;
    if (notWinterkill && survives < WORTH_SAYING)
      add('thinned', shared(m, 1 - THINNED * (1 - survives)), { ...facts, share: survives });
    if (species.ground === 'light' && asked.soil.texture !== 'sand')
      add('wants-light-ground', shared(m, HEAVY_GROUND[asked.soil.texture]), facts);
    if (species.confidence === 'low') add('little-known', shared(m, LITTLE_KNOWN), facts);
    const need = { open: 0, part: PART_SHADE, deep: DEEP_SHADE }[bed.shade];
    if (species.worth.shade < need) add('shaded', 1, facts);
  }
  if (asked.from) add('own-seed', OWN_SEED, { from: asked.from });
  for (const trouble of bed.troubles)
    if (members.every((m) => m.species.troubles.starves.includes(trouble)))
      add('helps-against', HELPS, { trouble });
  if (bed.surface === 'sod') add('sod', SOD, {});
  if (best && next.way === 'seed') {
    const residue = best.residue_g_m2.mid / 100;
    const over = Math.min(1, Math.max(0, residue - BORNE_T_HA * next.residueTolerance) / IN_THE_WAY_T_HA);
    const costs = notWinterkill ? IN_THE_WAY_COSTS : IN_THE_WAY_COSTS * BRITTLE;
    if (over > 0) add('residue-in-the-way', 1 - costs * over, { residue: residue * 100, crop: next.name });
  }
  if (best && best.dryer_mm.mid >= THIRST_FROM_MM)
    add(
      'thirsty',
      1 -
        Math.min(0.3, (THIRST * best.dryer_mm.mid) / AVAILABLE_WATER_MM[asked.soil.texture]) *
          (asked.watered ? WATERED_THIRST : 1),
      {
        mm: best.dryer_mm.mid,
        crop: next.name,
      },
    );
  return out;
}

export const product = (factors: Factor[]): number => factors.reduce((p, f) => p * f.times, 1);
