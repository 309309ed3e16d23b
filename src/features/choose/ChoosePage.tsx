import { useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { aims as aimList, findCrop } from '../../catalogue/catalogue.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { type Sample } from '../../core/choose/choose.ts';
import { type AimStrands, rankSamples } from '../../core/choose/rank.ts';
import { putCoverOnBlock } from '../../records/verbs/verbs.ts';
import type { Bed } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { Strands } from '../../ui/parts.tsx';
import { Alter } from './Alter.tsx';
import { BlockTicks, bedsThatShare } from './Block.tsx';
import { coverOf, onBed } from './draft.ts';
import { FirstQuestions } from './FirstQuestions.tsx';
import { GapFields } from './GapFields.tsx';
import { Hanging } from './Hanging.tsx';
import { NothingFits, RuledOut } from './RuledOut.tsx';
import { SampleSide } from './SampleSide.tsx';
import { useGapForm, YEARS } from './useGapForm.ts';
import { OWN_ID, ownFrom, useOwn } from './useOwn.ts';
import { useSamples } from './useSamples.ts';

const SHOWN = 8;
/** A sample hangs when it is over in time in this share of years and stands in this share; the rest are ruled out with reasons. */
const HANGS_IN_TIME = 0.3;
const HANGS_STANDS = 0.4;

export default function ChoosePage() {
  const { bedId } = useParams();
  const { beds } = useGarden();
  const bed = beds.find((b) => b.id === bedId);
  return bed ? <Chooser key={bed.id} bed={bed} /> : <p className="p-6">This bed is not in the garden.</p>;
}

function Chooser({ bed }: { bed: Bed }) {
  const { garden, beds, plantings, covers, today, hands, run } = useGarden();
  const navigate = useNavigate();
  const form = useGapForm(bed);
  const [aims, setAims] = useState<AimStrands[]>([
    { id: 'feed', strands: 3 },
    { id: 'hold', strands: 2 },
  ]);
  const [asking, setAsking] = useState(false);
  const [chosenId, setChosenId] = useState<string | null>(null);
  const [pinned, setPinned] = useState<ReadonlySet<string>>(new Set());
  const [all, setAll] = useState(false);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const { samples, progress, problem } = useSamples(asking ? null : form.question);
  const mine = useOwn(form.question);
  const freeDay = dayOf(form.free);
  const plantDay = dayOf(form.plantOn);

  const ranked = useMemo(() => rankSamples(samples, aims), [samples, aims]);
  const fits = (s: Sample) =>
    s.best !== undefined && s.best.odds.inTime >= HANGS_IN_TIME && s.stand.stand >= HANGS_STANDS;
  const able = ranked.map((r) => r.sample).filter(fits);
  const out = ranked.map((r) => r.sample).filter((s) => !fits(s));
  const held = ranked.map((r) => r.sample).filter((s) => pinned.has(s.id));
  const rest = able.filter((s) => !pinned.has(s.id));
  const hung = [
    ...(mine.sample ? [mine.sample] : []),
    ...held,
    ...(all ? rest : rest.slice(0, Math.max(1, SHOWN - held.length))),
  ];
  const chosen = hung.find((s) => s.id === chosenId) ?? hung[0] ?? null;
  const sharers = useMemo(
    () => (form.valid ? bedsThatShare(bed, beds, plantings, covers, freeDay, plantDay, dayOf(today)) : []),
    [form.valid, bed, beds, plantings, covers, freeDay, plantDay, today],
  );
  const watered = garden.kit.includes('hose');
  const draftOf = (s: Sample, on: Bed = bed) => coverOf(s, on, form, aims, watered);

  async function put(sample: Sample) {
    const parts = [
      onBed(draftOf(sample), bed, form.gap, form, today, hands.newId),
      ...sharers
        .filter((s) => ticked.has(s.bed.id))
        .map((s) => onBed(draftOf(sample, s.bed), s.bed, s.gap, { ...form, before: '' }, today, hands.newId)),
    ];
    if (await run(putCoverOnBlock(hands, parts)))
      void navigate(parts.length > 1 ? '/' : `/cover/${parts[0]!.cover.id}/seed`);
  }
  const pin = (id: string) => {
    const next = new Set(pinned);
    if (!next.delete(id)) next.add(id);
    setPinned(next);
  };
  const alter = (s: Sample) => {
    mine.setOwn(ownFrom(s));
    setChosenId(OWN_ID);
  };

  return (
    <main id="main" className="grid gap-6 px-4 py-4 sm:px-6 xl:grid-cols-[1fr_20rem]">
      <div className="min-w-0">
        <div className="flex flex-wrap items-baseline justify-between gap-3">
          <h1 className="font-display text-2xl font-bold">
            Bed {bed.name}: {form.before ? `after ${findCrop(form.before)?.name.toLowerCase()}, ` : ''}before{' '}
            {form.crop.name.toLowerCase()}
          </h1>
          {!asking && (
            <button type="button" className="btn btn-sm" onClick={() => setAsking(true)}>
              New to this? Three questions
            </button>
          )}
        </div>
        {asking ? (
          <FirstQuestions form={form} setAims={setAims} done={() => setAsking(false)} />
        ) : (
          <>
            <GapFields form={form} />
            <AimStrip aims={aims} setAims={setAims} />
          </>
        )}
        {!form.valid && !asking && (
          <p role="alert" className="text-madder mt-3 font-semibold">
            The gap must be between 28 and 500 days: put the planting day after the day the ground is free.
          </p>
        )}
        {problem && (
          <p role="alert" className="text-madder mt-3 font-semibold">
            {problem}
          </p>
        )}
        {progress && (
          <p role="status" className="text-bark mt-2">
            Growing {YEARS} plausible years of each cover: {progress[0]} of {progress[1]} covers done.
          </p>
        )}
        {samples.length > 0 && !progress && able.length === 0 && (
          <NothingFits samples={out} plantDay={plantDay} />
        )}
        {hung.length > 0 && !asking && (
          <Hanging
            samples={hung}
            chosenId={chosen?.id ?? null}
            choose={setChosenId}
            pinned={pinned}
            pin={pin}
            freeDay={freeDay}
            plantDay={plantDay}
            garden={garden}
            bed={bed}
            coverOf={draftOf}
          />
        )}
        {able.length > SHOWN && !asking && (
          <button type="button" className="btn btn-sm mt-3" onClick={() => setAll(!all)}>
            {all ? `Show the best ${SHOWN}` : `Show all ${able.length} that fit`}
          </button>
        )}
        {out.length > 0 && !progress && !asking && (
          <RuledOut samples={out} units={garden.units} plantDay={plantDay} open={able.length === 0} />
        )}
      </div>
      {chosen && !asking && (
        <SampleSide
          alter={
            mine.own &&
            chosen.id === OWN_ID && (
              <Alter
                own={mine.own}
                setOwn={mine.setOwn}
                sample={mine.sample}
                freeDay={freeDay}
                plantDay={plantDay}
                here={form.question?.methods ?? []}
                units={garden.units}
                done={() => mine.setOwn(null)}
              />
            )
          }
          sample={chosen}
          units={garden.units}
          methodsHere={form.question?.methods ?? []}
          putLabel={ticked.size > 0 ? `Put this on ${ticked.size + 1} beds` : `Put this on bed ${bed.name}`}
          plantDay={plantDay}
          years={YEARS}
          onPut={() => void put(chosen)}
          onAlter={chosen.id === OWN_ID ? undefined : () => alter(chosen)}
        >
          <BlockTicks sharers={sharers} ticked={ticked} setTicked={setTicked} />
        </SampleSide>
      )}
    </main>
  );
}

function AimStrip({ aims, setAims }: { aims: AimStrands[]; setAims(aims: AimStrands[]): void }) {
  return (
    <div className="mt-3 flex flex-wrap gap-2" role="group" aria-label="Aims, one to three strands each">
      {aimList.map((a) => (
        <Strands
          key={a.id}
          label={a.name}
          value={aims.find((x) => x.id === a.id)?.strands ?? 0}
          onChange={(n) => {
            const others = aims.filter((x) => x.id !== a.id);
            setAims(n === 0 ? others : [...others, { id: a.id, strands: n }]);
          }}
        />
      ))}
    </div>
  );
}
