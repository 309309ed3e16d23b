import { useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import {
  aims as aimList,
  crops,
  findCrop,
  findWay,
  membersOf,
  methods,
  mixes,
  sowingWays,
  species,
} from '../../catalogue/catalogue.ts';
import { dayOf, isIsoDate, isoOf } from '../../core/calendar/day.ts';
import { type AimStrands, type Sample, rankSamples } from '../../core/choose/choose.ts';
import { datedPasses } from '../../core/plan/passes.ts';
import { useGarden } from '../../ring/garden.tsx';
import { hazardsBySpecies, keepsSafe, methodsHere, nextCropOf } from '../../ring/asked.ts';
import { putCover } from '../../records/verbs/verbs.ts';
import type { Bed, Cover, Planting } from '../../records/types.ts';
import { Field, Strands } from '../../ui/parts.tsx';
import { Figures } from './Figures.tsx';
import { firstOpenGap, LEAST_GAP_D } from './gap.ts';
import { COLUMN, LEFT, Samples } from './Samples.tsx';
import { SampleSide } from './SampleSide.tsx';
import { useSamples } from './useSamples.ts';
import { reasonWords } from './words.ts';

const YEARS = 60;
const SHOWN = 8;

export default function ChoosePage() {
  const { bedId } = useParams();
  const { beds } = useGarden();
  const bed = beds.find((b) => b.id === bedId);
  return bed ? <Chooser key={bed.id} bed={bed} /> : <p className="p-6">This bed is not in the garden.</p>;
}

function Chooser({ bed }: { bed: Bed }) {
  const { garden, plantings, covers, today, hands, run } = useGarden();
  const navigate = useNavigate();
  const mine = plantings.filter((p) => p.bedId === bed.id);
  const gap = useMemo(
    () =>
      firstOpenGap(
        plantings.filter((p) => p.bedId === bed.id),
        covers.filter((c) => c.bedId === bed.id),
        dayOf(today),
      ),
    [plantings, covers, bed.id, today],
  );
  const { before: leaving, next: coming } = gap;
  const [before, setBefore] = useState(leaving?.cropId ?? '');
  const [free, setFree] = useState(isoOf(gap.freeDay));
  const [nextId, setNextId] = useState(coming?.cropId ?? 'tomato');
  const [nextWay, setNextWay] = useState<'transplant' | 'seed'>(coming?.way ?? 'transplant');
  const [plantOn, setPlantOn] = useState(coming?.plantOn ?? isoOf(gap.freeDay + 220));
  const [wayId, setWayId] = useState('raked');
  const [aims, setAims] = useState<AimStrands[]>([
    { id: 'feed', strands: 3 },
    { id: 'hold', strands: 2 },
  ]);
  const [chosenId, setChosenId] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const crop = findCrop(nextId)!;
  const way = crop.ways.includes(nextWay) ? nextWay : crop.ways[0]!;
  const valid =
    isIsoDate(free) &&
    isIsoDate(plantOn) &&
    dayOf(plantOn) - dayOf(free) >= LEAST_GAP_D &&
    dayOf(plantOn) - dayOf(free) <= 500;
  const families = useMemo(
    () => [...new Set([before, ...mine.map((p) => p.cropId)].map((c) => findCrop(c)?.family ?? ''))],
    [before, mine],
  );
  const question = useMemo(
    () =>
      valid
        ? {
            site: garden.site,
            soil: bed.soil,
            way: findWay(wayId)!,
            watered: garden.kit.includes('hose'),
            gap: { freeDay: dayOf(free), plantDay: dayOf(plantOn), next: nextCropOf(nextId, way) },
            candidates: [
              ...mixes.map((m) => ({ id: m.id, name: m.name, members: membersOf(m.members) })),
              ...species.map((s) => ({
                id: s.id,
                name: s.name,
                members: membersOf([{ speciesId: s.id, share: 1 }]),
              })),
            ],
            methods: methodsHere(garden),
            familiesBefore: families,
            keepsSafe: keepsSafe(garden),
            hazards: hazardsBySpecies(),
            years: YEARS,
          }
        : null,
    [valid, garden, bed.soil, wayId, free, plantOn, nextId, way, families],
  );
  const { samples, progress, problem } = useSamples(question);

  const ranked = useMemo(() => rankSamples(samples, aims), [samples, aims]);
  const able = ranked.filter(
    (r) => r.sample.best && r.sample.best.odds.inTime >= 0.3 && r.sample.stand.stand >= 0.4,
  );
  const out = ranked.filter((r) => !able.includes(r));
  const hung = (all ? able : able.slice(0, SHOWN)).map((r) => r.sample);
  const chosen = ranked.find((r) => r.sample.id === chosenId)?.sample ?? hung[0] ?? null;

  function coverOf(sample: Sample): Cover {
    const method = methods.find((m) => m.id === sample.best?.method);
    return {
      id: 'draft',
      gardenId: garden.id,
      bedId: bed.id,
      parts: sample.parts,
      aims,
      wayId,
      watered: garden.kit.includes('hose'),
      sowOn: isoOf(sample.sowDay),
      sownOn: null,
      seed: sample.parts.map((p) => ({
        speciesId: p.speciesId,
        germination: 0.9,
        purity: 0.98,
        coating: 0,
        used_g: null,
      })),
      throws: 2,
      method: method?.id ?? 'cut',
      passes: method && sample.best ? datedPasses(method.passes, sample.best, dayOf(plantOn)) : [],
      nextPlantingId: null,
      plantBackOn: plantOn,
      verdict: null,
      endedOn: null,
      note: '',
    };
  }

  async function put(sample: Sample) {
    const plantingId =
      coming && coming.plantOn === plantOn && coming.cropId === nextId ? coming.id : hands.newId();
    const next: Planting = {
      id: plantingId,
      gardenId: garden.id,
      bedId: bed.id,
      cropId: nextId,
      way,
      plantOn,
      plantedOn: null,
      clearOn: isoOf(dayOf(plantOn) + Math.round((crop.days[0] + crop.days[1]) / 2)),
      clearedOn: null,
      note: '',
    };
    const extra: Planting[] = [];
    if (!coming || plantingId !== coming.id) extra.push(next);
    if (before && !leaving)
      extra.push({
        ...next,
        id: hands.newId(),
        cropId: before,
        plantOn: isoOf(dayOf(free) - 90),
        plantedOn: isoOf(dayOf(free) - 90) <= today ? isoOf(dayOf(free) - 90) : null,
        clearOn: free,
        clearedOn: free <= today ? free : null,
      });
    const cover: Cover = { ...coverOf(sample), id: hands.newId(), nextPlantingId: plantingId };
    if (await run(putCover(hands, cover, extra))) void navigate(`/cover/${cover.id}/seed`);
  }

  return (
    <main id="main" className="grid gap-6 px-4 py-4 sm:px-6 xl:grid-cols-[1fr_20rem]">
      <div className="min-w-0">
        <h1 className="font-display text-2xl font-bold">
          Bed {bed.name}: {before ? `after ${findCrop(before)?.name.toLowerCase()}, ` : ''}before{' '}
          {crop.name.toLowerCase()}
        </h1>
        <div className="mt-2 grid gap-3 sm:grid-cols-3 lg:grid-cols-6">
          <Field label="What leaves">
            {(id) => (
              <select
                id={id}
                className="select select-sm"
                value={before}
                onChange={(e) => setBefore(e.target.value)}
              >
                <option value="">nothing</option>
                {crops.map((c) => (
                  <option key={c.id} value={c.id}>
                    {c.name}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <Field label="Ground free on">
            {(id) => (
              <input
                id={id}
                type="date"
                className="input input-sm"
                value={free}
                onChange={(e) => setFree(e.target.value)}
              />
            )}
          </Field>
          <Field label="What comes next">
            {(id) => (
              <select
                id={id}
                className="select select-sm"
                value={nextId}
                onChange={(e) => setNextId(e.target.value)}
              >
                {crops.map((c) => (
                  <option key={c.id} value={c.id}>
                    {c.name}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <Field label="Planted as">
            {(id) => (
              <select
                id={id}
                className="select select-sm"
                value={way}
                onChange={(e) => setNextWay(e.target.value as typeof nextWay)}
              >
                {crop.ways.map((w) => (
                  <option key={w} value={w}>
                    {w === 'seed' ? 'seed' : 'transplants'}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <Field label="Planting day">
            {(id) => (
              <input
                id={id}
                type="date"
                className="input input-sm"
                value={plantOn}
                onChange={(e) => setPlantOn(e.target.value)}
              />
            )}
          </Field>
          <Field label="Way of sowing">
            {(id) => (
              <select
                id={id}
                className="select select-sm"
                value={wayId}
                onChange={(e) => setWayId(e.target.value)}
              >
                {sowingWays.map((w) => (
                  <option key={w.id} value={w.id}>
                    {w.name}
                  </option>
                ))}
              </select>
            )}
          </Field>
        </div>
        <div className="mt-3 flex flex-wrap gap-2" role="group" aria-label="Aims, one to three strands each">
          {aimList.map((a) => (
            <Strands
              key={a.id}
              label={a.name}
              value={aims.find((x) => x.id === a.id)?.strands ?? 0}
              onChange={(n) =>
                setAims(
                  n === 0
                    ? aims.filter((x) => x.id !== a.id)
                    : [...aims.filter((x) => x.id !== a.id), { id: a.id, strands: n }],
                )
              }
            />
          ))}
        </div>
        {!valid && (
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
          <p className="mt-4 max-w-2xl text-lg">
            <b>Nothing fits this gap.</b> Move planting day, plant transplants instead of seed, mark another
            tool under Ground, or mulch the bed. The reasons are below.
          </p>
        )}
        {hung.length > 0 && (
          <div className="mt-3 overflow-x-auto" tabIndex={0} role="region" aria-label="Samples in the gap">
            <div style={{ width: LEFT + hung.length * COLUMN }}>
              <div className="flex" style={{ paddingLeft: LEFT }}>
                {hung.map((s) => (
                  <button
                    key={s.id}
                    type="button"
                    aria-pressed={s.id === chosen?.id}
                    onClick={() => setChosenId(s.id)}
                    className={`px-1 text-center text-sm leading-tight ${s.id === chosen?.id ? 'font-bold underline' : ''}`}
                    style={{ width: COLUMN, minHeight: 40 }}
                  >
                    {s.name}
                  </button>
                ))}
              </div>
              <Samples
                samples={hung}
                chosen={chosen?.id ?? null}
                onChoose={setChosenId}
                freeDay={dayOf(free)}
                plantDay={dayOf(plantOn)}
              />
              <Figures
                samples={hung}
                chosenId={chosen?.id ?? null}
                garden={garden}
                bed={bed}
                coverOf={coverOf}
                years={YEARS}
              />
            </div>
          </div>
        )}
        {able.length > SHOWN && (
          <button type="button" className="btn btn-sm mt-3" onClick={() => setAll(!all)}>
            {all ? `Show the best ${SHOWN}` : `Show all ${able.length} that fit`}
          </button>
        )}
        {out.length > 0 && !progress && (
          <details className="mt-4">
            <summary className="cursor-pointer font-semibold">
              {out.length} covers are ruled out here, with reasons
            </summary>
            <ul className="mt-2 max-w-3xl">
              {out.map(({ sample: s }) => (
                <li key={s.id} className="border-linen border-t py-1">
                  <b>{s.name}.</b>{' '}
                  {s.reasons
                    .filter((r) => r.side === 'against')
                    .slice(0, 2)
                    .map((r) => {
                      const w = reasonWords(r, garden.units);
                      return `${w.lead} ${w.rest}`;
                    })
                    .join(' ')}
                </li>
              ))}
            </ul>
          </details>
        )}
      </div>
      {chosen && (
        <SampleSide
          sample={chosen}
          units={garden.units}
          methodsHere={question?.methods ?? []}
          bedName={bed.name}
          years={YEARS}
          onPut={() => void put(chosen)}
        />
      )}
    </main>
  );
}
