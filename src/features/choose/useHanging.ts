import { useEffect, useMemo, useState } from 'react';
import { type AimStrands } from '../../core/aims/aims.ts';
import { hang, type Ranked, rankSamples } from '../../core/choose/rank.ts';
import { type Sample } from '../../core/choose/sample.ts';

export const SHOWN = 8;
/** A sample hangs when it is over in time in this share of years and stands in this share; the rest are ruled out with reasons. */
const HANGS_IN_TIME = 0.3;
const HANGS_STANDS = 0.4;

/** What hangs of what was ranked, what is chosen of it, and what stands behind. */
export function useHanging(
  samples: Sample[],
  aims: AimStrands[],
  own: Sample | null,
  settled: (sample: Sample) => Promise<Sample>,
) {
  const [chosenId, choose] = useState<string | null>(null);
  const [pinned, setPinned] = useState<ReadonlySet<string>>(new Set());
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const [all, setAll] = useState(false);
  const heads = useMemo(() => hang(rankSamples(samples, aims)), [samples, aims]);
  const able = heads.filter(fits);
  // Those like a head stand behind it, and come forward when they are asked for.
  const shown = (all ? able : able.slice(0, SHOWN)).flatMap((h) => [
    h,
    ...(opened.has(h.sample.id) ? h.behind.filter(fits) : []),
  ]);
  const ranked = heads.flatMap((h) => [h, ...h.behind]);
  const hung = [
    ...(own ? [own] : []),
    ...ranked.map((r) => r.sample).filter((s) => pinned.has(s.id)),
    ...shown.map((r) => r.sample).filter((s) => !pinned.has(s.id)),
  ];
  const chosen = hung.find((s) => s.id === chosenId) ?? hung[0] ?? null;
  // What is looked at is told from all years, whatever its rank.
  const looked = hung.filter((s) => s.id === chosenId || pinned.has(s.id));
  useEffect(() => looked.forEach((s) => void settled(s)));
  const like = chosen && heads.find((h) => h.sample.id === chosen.id)?.behind.filter(fits);
  return {
    able,
    out: ranked.filter((r) => !fits(r)).map((r) => r.sample),
    hung,
    late: new Set(heads.filter((h) => h.late).map((h) => h.sample.id)),
    chosen,
    choose,
    pinned,
    pin: (id: string) => setPinned(flip(pinned, id)),
    hangByName: (id: string) => {
      setPinned(new Set([...pinned, id]));
      choose(id);
    },
    all,
    setAll,
    like:
      chosen && like && like.length > 0
        ? {
            count: like.length,
            open: opened.has(chosen.id),
            toggle: () => setOpened(flip(opened, chosen.id)),
          }
        : undefined,
  };
}

const fits = ({ sample, late }: Ranked): boolean =>
  sample.stand.stand >= HANGS_STANDS &&
  sample.best !== undefined &&
  (late || sample.best.odds.inTime >= HANGS_IN_TIME);

export type Hung = ReturnType<typeof useHanging>;

/** A set with one member put in, or taken out where it was in. */
function flip(set: ReadonlySet<string>, id: string): Set<string> {
  const next = new Set(set);
  if (!next.delete(id)) next.add(id);
  return next;
}
