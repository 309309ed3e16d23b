import { useMemo, useState, useSyncExternalStore } from 'react';
import { useNavigate, useParams } from 'react-router';
import { aims as aimList, cropOf } from '../../catalogue/catalogue.ts';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { type Sample } from '../../core/choose/sample.ts';
import { hang, type Ranked, rankSamples } from '../../core/choose/rank.ts';
import { type AimStrands } from '../../core/aims/aims.ts';
import { putCoverOnBlock } from '../../records/verbs/verbs.ts';
import type { Bed } from '../../records/types.ts';
import { PLAUSIBLE_YEARS } from '../../questions/years.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showDay } from '../../ui/dates.ts';
import { SelectField } from '../../ui/fields.tsx';
import { Strands } from '../../ui/parts.tsx';
import { Alter } from './Alter.tsx';
import { Answer } from './Answer.tsx';
import { BlockTicks, bedsThatShare } from './Block.tsx';
import { coverOf, firstOf, onBed } from '../../questions/draft.ts';
import { FirstQuestions } from './FirstQuestions.tsx';
import { GapFields } from './GapFields.tsx';
import { Hanging } from './Hanging.tsx';
import { aimsWords, plantingWords } from '../../ui/offerWords.ts';
import { NextTime } from './NextTime.tsx';
import { NothingFits, RuledOut } from './RuledOut.tsx';
import { seedHere } from '../../questions/seedHere.ts';
import { seedHereWords } from '../../ui/packetWords.ts';
import { SampleSide } from './SampleSide.tsx';
import { Doubted } from './Doubted.tsx';
import { useGapForm } from './useGapForm.ts';
import { OWN_ID, ownFrom, useOwn } from './useOwn.ts';
import { useSamples } from '../../ring/useSamples.ts';

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
  const { garden, ground, plantings, covers, recipes, lots, today, hands, run } = useGarden();
  const navigate = useNavigate();
  const form = useGapForm(bed);
  const { aims, setAims } = form;
  const [asking, setAsking] = useState(false);
  const [chosenId, setChosenId] = useState<string | null>(null);
  const [pinned, setPinned] = useState<ReadonlySet<string>>(new Set());
  const [all, setAll] = useState(false);
  const [doubted, setDoubted] = useState<Sample | null>(null);
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const { samples, progress, problem } = useSamples(asking ? null : form.question);
  const mine = useOwn(form.question);
  // A phone shows the answer first; the gap and the aims unfold above it.
  const wide = useWide();
  const [unfolded, setUnfolded] = useState(false);
  const freeDay = dayOf(form.free);
  const plantDay = dayOf(form.plantOn);

  const heads = useMemo(() => hang(rankSamples(samples, aims)), [samples, aims]);
  const fits = ({ sample, late }: Ranked) =>
    sample.stand.stand >= HANGS_STANDS &&
    sample.best !== undefined &&
    (late || sample.best.odds.inTime >= HANGS_IN_TIME);
  const able = heads.filter(fits);
  // Those like a head stand behind it, and come forward when they are asked for.
  const shown = (all ? able : able.slice(0, SHOWN)).flatMap((h) => [
    h,
    ...(opened.has(h.sample.id) ? h.behind.filter(fits) : []),
  ]);
  const out = heads.flatMap((h) => [h, ...h.behind]).filter((r) => !fits(r));
  const late = new Set(heads.filter((h) => h.late).map((h) => h.sample.id));
  const held = heads
    .flatMap((h) => [h, ...h.behind])
    .map((r) => r.sample)
    .filter((s) => pinned.has(s.id));
  const hung = [
    ...(mine.sample ? [mine.sample] : []),
    ...held,
    ...shown.map((r) => r.sample).filter((s) => !pinned.has(s.id)),
  ];
  const chosen = hung.find((s) => s.id === chosenId) ?? hung[0] ?? null;
  const like = chosen && heads.find((h) => h.sample.id === chosen.id)?.behind.filter(fits);
  const sharers = useMemo(
    () => (form.valid ? bedsThatShare(bed, ground, plantings, covers, freeDay, plantDay, dayOf(today)) : []),
    [form.valid, bed, ground, plantings, covers, freeDay, plantDay, today],
  );
  const draftOf = (s: Sample, on: Bed = bed) => coverOf(s, on, form, aims, garden, today);

  async function put(sample: Sample, sure = false) {
    const odds = sample.best?.odds.inTime ?? 0;
    if (!sure && odds < HARDLY_EVER) return setDoubted(sample);
    setDoubted(null);
    const parts = [
      ...firstOf(sample, draftOf(sample), bed, garden, hands.newId),
      onBed(draftOf(sample), bed, form.gap, form, today, hands.newId),
      ...sharers
        .filter((s) => ticked.has(s.bed.id))
        .flatMap((s) => [
          ...firstOf(sample, draftOf(sample, s.bed), s.bed, garden, hands.newId),
          onBed(draftOf(sample, s.bed), s.bed, s.gap, { ...form, before: '' }, today, hands.newId),
        ]),
    ];
    if (!(await run(putCoverOnBlock(hands, parts)))) return;
    form.forget();
    void navigate(ticked.size > 0 ? '/' : `/cover/${parts[0]!.cover.id}/seed`);
  }
  const pin = (id: string) => setPinned(flip(pinned, id));
  const alter = (s: Sample) => {
    mine.setOwn(ownFrom(s));
    setChosenId(OWN_ID);
  };

  return (
    <main id="main" className="grid gap-6 px-4 py-4 sm:px-6 xl:grid-cols-[1fr_20rem]">
      <div className="min-w-0">
        <div className="flex flex-wrap items-baseline justify-between gap-3">
          <h1 className="font-display text-2xl font-bold">
            Bed {bed.name}: {form.before ? `after ${cropOf(form.before).name.toLowerCase()}, ` : ''}before{' '}
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
            <details
              className="mt-1"
              open={wide || unfolded || !form.valid}
              onToggle={(e) => setUnfolded(e.currentTarget.open)}
            >
              <summary className="cursor-pointer py-2 font-semibold sm:hidden">
                Free {showDay(freeDay)}, {form.crop.name.toLowerCase()} {showDay(plantDay)}: change the gap or
                the aims
              </summary>
              <GapFields form={form} />
              {form.changed && (
                <button type="button" className="btn btn-sm mt-2" onClick={form.forget}>
                  Back to what is planned
                </button>
              )}
              {form.offer && (
                <p className="text-bark mt-1 text-sm">
                  {plantingWords(form.offer, form.crop.name, garden.units)}
                </p>
              )}
              {form.offeredAims.length > 0 && (
                <p className="text-bark mt-1 text-sm">{aimsWords(form.offeredAims, form.crop.name)}</p>
              )}
              <AimStrip aims={aims} setAims={setAims} />
            </details>
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
            On a few plausible years each, then what leads on {PLAUSIBLE_YEARS}: {progress[0]} of{' '}
            {progress[1]} covers done.
          </p>
        )}
        {samples.length > 0 && !progress && able.length === 0 && (
          <NothingFits samples={out.map((r) => r.sample)} plantDay={plantDay} />
        )}
        {!asking && <NextTime bedId={bed.id} kinds={chosen?.parts.map((p) => p.speciesId) ?? []} />}
        {doubted && (
          <Doubted
            sample={doubted}
            better={able[0]?.sample}
            plantDay={plantDay}
            crop={form.crop.name.toLowerCase()}
            put={() => void put(doubted, true)}
            plantOn={(day) => {
              setDoubted(null);
              form.setPlantOn(isoOf(day));
            }}
            show={(id) => {
              setDoubted(null);
              setChosenId(id);
            }}
          />
        )}
        {chosen && !asking && (
          <Answer
            sample={chosen}
            plantDay={plantDay}
            late={late.has(chosen.id)}
            putLabel={`Put this on bed ${bed.name}`}
            onPut={() => void put(chosen)}
          />
        )}
        {hung.length > 0 && !asking && (
          <Hanging
            samples={hung}
            chosenId={chosen?.id ?? null}
            choose={setChosenId}
            late={late}
            pinned={pinned}
            pin={pin}
            freeDay={freeDay}
            plantDay={plantDay}
            garden={garden}
            bed={bed}
            coverOf={draftOf}
          />
        )}
        {samples.length > 0 && !asking && (
          <div className="mt-3 max-w-xs">
            <SelectField
              label="Hang one by name"
              value=""
              options={[
                ['', 'any cover of the catalogue'],
                ...samples.map((s) => [s.id, s.name] as const).sort((a, b) => a[1].localeCompare(b[1])),
              ]}
              onChange={(id) => {
                if (!id) return;
                setPinned(new Set([...pinned, id]));
                setChosenId(id);
              }}
            />
          </div>
        )}
        {able.length > SHOWN && !asking && (
          <button type="button" className="btn btn-sm mt-3" onClick={() => setAll(!all)}>
            {all
              ? `Show the best ${SHOWN} kinds of answer`
              : `Show all ${able.length} kinds of answer that fit`}
          </button>
        )}
        {out.length > 0 && !progress && !asking && (
          <RuledOut
            samples={out.map((r) => r.sample)}
            units={garden.units}
            plantDay={plantDay}
            open={able.length === 0}
          />
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
          years={chosen.years}
          late={late.has(chosen.id)}
          like={
            like && like.length > 0
              ? {
                  count: like.length,
                  open: opened.has(chosen.id),
                  toggle: () => setOpened(flip(opened, chosen.id)),
                }
              : undefined
          }
          onPut={() => void put(chosen)}
          seed={seedHereWords(
            seedHere(
              chosen,
              [bed, ...sharers.filter((s) => ticked.has(s.bed.id)).map((s) => s.bed)].map((on) => ({
                cover: draftOf(chosen, on),
                bed: on,
              })),
              { recipes, lots },
              today,
            ),
            garden.units,
          )}
          onAlter={chosen.id === OWN_ID ? undefined : () => alter(chosen)}
        >
          <BlockTicks sharers={sharers} ticked={ticked} setTicked={setTicked} />
        </SampleSide>
      )}
    </main>
  );
}

/** A plan that is ready in fewer years than this is asked about before it goes on a bed. */
const HARDLY_EVER = 0.2;

const WIDE = '(min-width: 640px)';

/** Whether the screen has room for the fields beside the answer. */
function useWide(): boolean {
  const query = useMemo(() => window.matchMedia(WIDE), []);
  return useSyncExternalStore(
    (changed) => {
      query.addEventListener('change', changed);
      return () => query.removeEventListener('change', changed);
    },
    () => query.matches,
  );
}

/** A set with one member put in, or taken out where it was in. */
function flip(set: ReadonlySet<string>, id: string): Set<string> {
  const next = new Set(set);
  if (!next.delete(id)) next.add(id);
  return next;
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
