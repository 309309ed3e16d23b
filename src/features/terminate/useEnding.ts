import { useMemo, useState } from 'react';
import { methods } from '../../catalogue/catalogue.ts';
import { USUAL_AIMS } from '../../core/aims/aims.ts';
import { endingBegun } from '../../core/bed/timeline.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { type EndingAnswer } from '../../core/plan/answers.ts';
import { datedPasses } from '../../core/plan/passes.ts';
import { workPlan } from '../../core/work/workPlan.ts';
import { plantBackDay } from '../../questions/cover.ts';
import { choicesHere, methodsHere } from '../../questions/methods.ts';
import { predictedOf } from '../../questions/predicted.ts';
import { meanOfMonth, planBHere, workAsk } from '../../questions/work.ts';
import { chooseEnding } from '../../records/commands/ending.ts';
import type { Bed, Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useForecast } from '../../ring/useForecast.ts';
import { useLastWeeks } from '../../ring/useLastWeeks.ts';
import { type Hung, useHung } from './useHung.ts';

const NO_STAGES: [] = [];
/** Another way is named when it is out of the way in so many more years. */
const BETTER_BY = 0.1;

export type EndingHere = ReturnType<typeof useEnding>;

/** Where the ending of a cover stands: what was settled, what the ways come to by now, and how one of them is taken. */
export function useEnding(cover: Cover, bed: Bed) {
  const { garden, plantings, covers, weather, today, hands, run } = useGarden();
  const { forecast, failure } = useForecast(cover);
  const plantDay = plantBackDay(cover, plantings);
  const here = useMemo(() => methodsHere(garden, bed), [garden, bed]);
  const next = plantings.find((p) => p.id === cover.nextPlantingId && !p.plantedOn);
  const begun = endingBegun(cover);
  const dead = cover.verdict === 'dead';
  const late = !begun && cover.sownOn !== null && cover.passes.some((p) => p.due < today);
  const { stagger } = choicesHere(garden, bed);
  const aims = useMemo(() => (cover.aims.length > 0 ? cover.aims : USUAL_AIMS), [cover.aims]);
  const { asked, last } = useLastWeeks(
    dead ? undefined : cover,
    forecast && (forecast.best?.method ?? ''),
    stagger === 'thirds',
  );
  // The way that is settled on hangs by its own days.
  const endings = useMemo(
    () =>
      forecast?.endings.map((e) =>
        !begun && forecast.settled?.method === e.method
          ? { ...forecast.settled, windowDays: e.windowDays }
          : e,
      ),
    [forecast, begun],
  );
  const stages = last?.stages ?? NO_STAGES;
  const ways = useHung(cover, bed, asked, endings, here, aims, stages);
  const [picked, show] = useState<string | null>(null);
  const settle = (e: EndingAnswer, passes = here.find((m) => m.id === e.method)!.passes) => {
    const chosen = {
      method: e.method,
      passes: datedPasses(passes, e, plantDay),
      predicted: predictedOf(e, today),
    };
    const why = cover.verdict === 'regrew' ? 'grew-again' : late ? 'late' : 'chosen-anew';
    const name = methods.find((m) => m.id === e.method)!.name.toLowerCase();
    void run(chooseEnding(hands, cover, chosen, today, why, `ending by ${name}`));
  };
  const choose = (h: Hung) => {
    const anew = forecast?.endings.find((e) => e.method === h.ending.method);
    settle(h.moved || !anew ? h.ending : anew, h.method.passes);
  };
  const shown = forecast?.settled ?? forecast?.endings.find((e) => e.method === cover.method);
  const usable = ways.hung.map((h) => h.ending);
  const mean_c = meanOfMonth(garden.site, shown?.startDay ?? dayOf(today));
  const over = begun && cover.passes.every((p) => p.doneOn);
  const planned = here.find((m) => m.id === cover.method);
  const showing = picked ?? (ways.hung.some((h) => h.method.id === cover.method) ? cover.method : '');
  return {
    garden,
    today: dayOf(today),
    forecast,
    failure,
    plantDay,
    next,
    begun,
    dead,
    late,
    stagger,
    aims,
    asked,
    last,
    ways,
    show,
    settle,
    choose,
    shown,
    usable,
    mean_c,
    planB: shown && planBHere(cover, shown, usable, aims, { plantDay, today, mean_c, weather }),
    failing: !dead && over && shown && (cover.verdict === 'regrew' || shown.odds.dead < 0.5),
    better:
      !begun && shown && forecast?.best && forecast.best.odds.inTime > shown.odds.inTime + BETTER_BY
        ? forecast.best
        : undefined,
    work: planned && shown ? workPlan(workAsk(garden, bed, cover, covers, planned, shown, stages)) : [],
    side: ways.hung.find((h) => h.method.id === showing) ?? ways.hung[0],
  };
}
