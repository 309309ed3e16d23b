import { useEffect, useMemo, useState } from 'react';
import { findCrop } from '../../catalogue/catalogue.ts';
import { places } from '../../catalogue/places.ts';
import { dayOf, dayOfYear, isIsoDate, isoOf } from '../../core/calendar/day.ts';
import { offerPlanting, type PlantingOffer } from '../../core/choose/begin.ts';
import { type ChooseInput } from '../../core/choose/input.ts';
import { rankSamples } from '../../core/choose/rank.ts';
import { type Sample } from '../../core/choose/sample.ts';
import { type Failure } from '../../core/result/result.ts';
import { type FrostRecord } from '../../core/climate/frost.ts';
import { type Site } from '../../core/site/site.ts';
import { IMPERIAL, METRIC } from '../../core/units/show.ts';
import {
  cropWay,
  firstAnswer,
  type FirstAnswer,
  firstQuestion,
  firstRecords,
  type FirstSaid,
} from '../../questions/first.ts';
import { PLAUSIBLE_YEARS } from '../../questions/years.ts';
import { placeName } from '../../ring/climate/PlaceField.tsx';
import { realToday } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import { useLive } from '../../ring/useLive.ts';
import { useSamples } from '../../ring/useSamples.ts';
import { ask } from '../../workers/core/client.ts';
import { BLANK, groundOf, packetOf, type Typed } from './said.ts';

/** A gap of this many days is begun with where a crop has no season here. */
const NO_SEASON_GAP_D = 150;
const LEAST_GAP_D = 28;
const LONGEST_GAP_D = 500;
/** A packet that is ready less often than this, or hardly stands, has others looked for beside it. */
const POOR_ODDS = 0.5;

const isGood = (s: Sample): boolean =>
  s.best !== undefined && s.best.odds.inTime >= POOR_ODDS && s.stand.stand >= POOR_ODDS;

export interface First {
  typed: Typed;
  set(part: Partial<Typed>): void;
  units: typeof METRIC;
  /** Frosts as they come out for the town, or as corrected. */
  frosts: FrostRecord | null;
  free: string;
  plantOn: string;
  offer: PlantingOffer | undefined;
  /** What is still wanted before there can be an answer, in order; empty when all is there. */
  wanting: string[];
  problem: Failure | null;
  answer: FirstAnswer | null;
  sample: Sample | null;
  /** Where the packet does badly: the best of all covers for this gap, once it is known. */
  better: Sample | null;
  plan: { said: FirstSaid; question: ReturnType<typeof firstQuestion> } | null;
  clear(): void;
}

/** One bed and one packet as they are typed, and the answer as soon as there is one. */
export function useFirst(): First | undefined {
  const [typed, setTyped, clear] = useDraft<Typed>('first', BLANK);
  const today = realToday();
  const t = typed ?? BLANK;
  const units = t.imperial ? IMPERIAL : METRIC;
  const { site, frosts } = useSite(t);
  const free = isIsoDate(t.free) && t.free >= today ? t.free : today;
  const way = t.nextId ? cropWay(t.nextId) : 'transplant';
  const crop = t.nextId ? findCrop(t.nextId) : undefined;
  const offer = useMemo(
    () => (site && crop ? offerPlanting(site, crop, way, dayOf(free)) : undefined),
    [site, crop, way, free],
  );
  const plantOn = isIsoDate(t.plantOn) ? t.plantOn : isoOf(offer?.day ?? dayOf(free) + NO_SEASON_GAP_D);
  const ground = useMemo(() => groundOf(t), [t]);
  const packet = useMemo(() => packetOf(t), [t]);
  const length = dayOf(plantOn) - dayOf(free);
  const gapFits = length >= LEAST_GAP_D && length <= LONGEST_GAP_D;
  const wanting = [
    ...(site ? [] : ['the nearest town']),
    ...(t.size.trim() ? [] : ['how big the bed is']),
    ...(crop ? [] : ['what grows there next']),
    ...(t.parts.length > 0 ? [] : ['what is in the packet']),
  ];
  const problem: Failure | null =
    t.size.trim() && !ground.ok
      ? ground.failure
      : t.parts.length > 0 && !packet.ok
        ? packet.failure
        : crop && !gapFits
          ? { code: 'gap-length', facts: { least: LEAST_GAP_D, most: LONGEST_GAP_D } }
          : null;
  const place = places.find((p) => p.id === t.placeId);
  const plan = useMemo(() => {
    if (!site || !place || !crop || !ground.ok || !packet.ok || t.parts.length === 0 || !gapFits) return null;
    const corrected = t.lastFrost || t.firstFrost ? ' Frosts as you gave them.' : '';
    const said: FirstSaid = {
      gardenName: t.gardenName.trim() || 'My garden',
      bedName: '1',
      site,
      siteFrom: `Like ${placeName(place)}: approximate monthly figures.${corrected}`,
      units,
      tools: t.tools,
      ground: ground.value,
      before: t.before,
      free,
      nextId: crop.id,
      way,
      plantOn,
      packet: packet.value,
    };
    const records = firstRecords(said, { newId: () => 'draft', now: () => '' }, today);
    return { said, question: firstQuestion(said, records, PLAUSIBLE_YEARS) };
  }, [site, place, crop, ground, packet, t, gapFits, units, free, way, plantOn, today]);
  // Asked anew only where the question itself is another: a name that is being typed is none of the core's business.
  const text = plan ? JSON.stringify(plan.question.asked) : '';
  const asked = useMemo(() => (text ? (JSON.parse(text) as ChooseInput) : null), [text]);
  const sample = useLive('sample', asked);
  const poor = sample !== null && !isGood(sample);
  const others = useMemo(() => {
    if (!plan || !poor) return null;
    const records = firstRecords(plan.said, { newId: () => 'draft', now: () => '' }, today);
    return firstQuestion(plan.said, records, PLAUSIBLE_YEARS, true).asked;
  }, [plan, poor, today]);
  const { samples } = useSamples(others);
  const better = useMemo(
    () =>
      others
        ? (rankSamples(samples, others.aims).find(({ sample: s, late }) => !late && !s.first && isGood(s))
            ?.sample ?? null)
        : null,
    [samples, others],
  );
  const answer = useMemo(
    () => (plan && sample ? firstAnswer(sample, plan.said, plan.question) : null),
    [plan, sample],
  );
  if (!typed) return undefined;
  return {
    typed: t,
    set: (part) => setTyped({ ...t, ...part }),
    units,
    frosts,
    free,
    plantOn,
    offer: t.plantOn ? undefined : offer,
    wanting,
    problem,
    answer,
    sample: plan ? sample : null,
    better,
    plan,
    clear,
  };
}

/** The site of the town, with the gardener's own frosts, and what frosts its years come to. */
function useSite(t: Typed): { site: Site | null; frosts: FrostRecord | null } {
  const [site, setSite] = useState<Site | null>(null);
  const [frosts, setFrosts] = useState<FrostRecord | null>(null);
  const { placeId, lastFrost, firstFrost } = t;
  useEffect(() => {
    let gone = false;
    const place = places.find((p) => p.id === placeId);
    setSite(null);
    setFrosts(null);
    if (!place) return;
    const doy = (iso: string) => (isIsoDate(iso) ? dayOfYear(dayOf(iso)) : null);
    const fit = async () => {
      const base = await ask('fitNormals', place).answer;
      if (!base.ok || !base.value.ok) return;
      const known = { lastFrost_doy: doy(lastFrost), firstFrost_doy: doy(firstFrost) };
      const untouched = known.lastFrost_doy === null && known.firstFrost_doy === null;
      const moved = untouched ? base.value : await ask('fitFrosts', { site: base.value.value, known }).answer;
      if (!moved.ok || gone) return;
      setSite(moved.value);
      const record = await ask('frosts', moved.value).answer;
      if (!gone && record.ok) setFrosts(record.value);
    };
    void fit();
    return () => {
      gone = true;
    };
  }, [placeId, lastFrost, firstFrost]);
  return { site, frosts };
}
