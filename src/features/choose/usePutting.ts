import { useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { dayOf } from '../../core/calendar/day.ts';
import { type Sample } from '../../core/choose/sample.ts';
import { coverOf, firstOf, onBed } from '../../questions/draft.ts';
import { putCoverOnBlock } from '../../records/verbs/verbs.ts';
import type { Bed } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { bedsThatShare } from './Block.tsx';
import { type GapForm } from './useGapForm.ts';

/** A plan that is ready in fewer years than this is asked about before it goes on a bed. */
const HARDLY_EVER = 0.2;

/** Puts a sample on the bed, and on those beside it that share the gap and are ticked. */
export function usePutting(bed: Bed, form: GapForm, settled: (sample: Sample) => Promise<Sample>) {
  const { garden, ground, plantings, covers, today, hands, run } = useGarden();
  const navigate = useNavigate();
  const [doubted, setDoubted] = useState<Sample | null>(null);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const { valid, free, plantOn } = form;
  const sharers = useMemo(
    () =>
      valid ? bedsThatShare(bed, ground, plantings, covers, dayOf(free), dayOf(plantOn), dayOf(today)) : [],
    [valid, bed, ground, plantings, covers, free, plantOn, today],
  );
  const draftOf = (s: Sample, on: Bed = bed) => coverOf(s, on, form, form.aims, garden, today);
  const together = sharers.filter((s) => ticked.has(s.bed.id));

  // A second tap while the first is being worked out or written does nothing.
  const busy = useRef(false);
  async function put(seen: Sample, sure = false) {
    if (busy.current) return;
    busy.current = true;
    try {
      await putNow(await settled(seen), sure);
    } finally {
      busy.current = false;
    }
  }

  async function putNow(sample: Sample, sure: boolean) {
    const odds = sample.best?.odds.inTime ?? 0;
    if (!sure && odds < HARDLY_EVER) return setDoubted(sample);
    setDoubted(null);
    const parts = [
      ...firstOf(sample, draftOf(sample), bed, garden, hands.newId),
      onBed(draftOf(sample), bed, form.gap, form, today, hands.newId),
      ...together.flatMap((s) => [
        ...firstOf(sample, draftOf(sample, s.bed), s.bed, garden, hands.newId),
        onBed(draftOf(sample, s.bed), s.bed, s.gap, { ...form, before: '' }, today, hands.newId),
      ]),
    ];
    if (!(await run(putCoverOnBlock(hands, parts)))) return;
    form.forget();
    void navigate(ticked.size > 0 ? '/' : `/cover/${parts[0]!.cover.id}/seed`);
  }
  return {
    doubted,
    setDoubted,
    sharers,
    ticked,
    setTicked,
    beds: [bed, ...together.map((s) => s.bed)],
    draftOf,
    put,
  };
}

export type Putting = ReturnType<typeof usePutting>;
