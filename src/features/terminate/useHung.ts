import { useEffect, useMemo, useState } from 'react';
import { type AimStrands } from '../../core/aims/aims.ts';
import { keptWorth } from '../../core/plan/endings.ts';
import { type EndingAnswer, type StandAnswer } from '../../core/plan/answers.ts';
import { type ForecastInput } from '../../core/plan/standing.ts';
import { type MethodHere } from '../../core/termination/method.ts';
import { type PassWork, workPlan } from '../../core/work/workPlan.ts';
import { workAsk } from '../../questions/work.ts';
import type { Bed, Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useLive } from '../../ring/useLive.ts';
import { type Held } from './wayHeld.ts';

/** A way as it hangs: the method with the days a hand has given it, what it comes to and what work it is. */
export interface Hung {
  method: MethodHere;
  ending: EndingAnswer;
  work: PassWork[];
  minutes: number;
  moved: boolean;
}

export interface Ways {
  /** Those that can be done and may be put forward, in the order of the aims they serve times the odds. */
  hung: Hung[];
  /** The best of them as it came from the core, before any hand. */
  best: EndingAnswer | undefined;
  /** What rules a way out here; empty for those that are only never put forward. */
  ruledOut: { id: string; missing: string[]; odds: number }[];
  move(method: string, held: Held): void;
}

/** Ways of ending with the days a hand has given them; the answer to a moved knot follows the hand. */
export function useHung(
  cover: Cover,
  bed: Bed,
  asked: ForecastInput | undefined,
  endings: EndingAnswer[] | undefined,
  here: MethodHere[],
  aims: AimStrands[],
  stages: StandAnswer['stages'],
): Ways {
  const { garden, covers } = useGarden();
  const [moved, setMoved] = useState<{ method: string; held: Held } | null>(null);
  const [kept, setKept] = useState<Record<string, { held: Held; ending: EndingAnswer }>>({});
  const trial = useMemo(
    () => (asked && moved ? { asked, method: moved.method, ...moved.held } : null),
    [asked, moved],
  );
  const live = useLive('tryEnding', trial);
  // What was worked out for the last place of the hand stays when another knot is taken.
  useEffect(() => {
    if (live && moved?.method === live.method && moved.held.startDay === live.startDay)
      setKept((k) => ({ ...k, [live.method]: { held: moved.held, ending: live } }));
  }, [live, moved]);
  // Another cover, or another day: what a hand had given the old ones is over.
  useEffect(() => {
    setMoved(null);
    setKept({});
  }, [asked]);
  return useMemo(() => {
    const way = (id: string) => here.find((m) => m.id === id)!;
    const can = (e: EndingAnswer) => way(e.method).missing.length === 0 && way(e.method).proposed !== false;
    const all = endings ?? [];
    const usable = all.filter(can).sort((a, b) => keptWorth(b, aims) - keptWorth(a, aims));
    const hungOf = (e: EndingAnswer): Hung => {
      const held = moved?.method === e.method ? moved.held : kept[e.method]?.held;
      // The knot is where the hand is; figures follow as they are worked out.
      const ending = held
        ? { ...(kept[e.method]?.ending ?? e), startDay: held.startDay, windowDays: e.windowDays }
        : e;
      const base = way(e.method);
      const method = held
        ? { ...base, passes: base.passes.map((p, i) => ({ ...p, after_d: held.after_d[i] ?? p.after_d })) }
        : base;
      const work = workPlan(workAsk(garden, bed, cover, covers, method, ending, stages));
      return {
        method,
        ending,
        work,
        minutes: work.reduce((s, p) => s + p.minutes, 0),
        moved: held !== undefined,
      };
    };
    return {
      hung: usable.map(hungOf),
      best: usable[0],
      ruledOut: all
        .filter((e) => !can(e))
        .map((e) => ({ id: e.method, missing: way(e.method).missing, odds: e.odds.inTime })),
      move: (method, held) => setMoved({ method, held }),
    };
  }, [endings, here, aims, moved, kept, garden, bed, cover, covers, stages]);
}
