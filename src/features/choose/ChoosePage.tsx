import { useState } from 'react';
import { useParams } from 'react-router';
import { cropOf } from '../../catalogue/catalogue.ts';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import type { Bed } from '../../records/types.ts';
import { PLAUSIBLE_YEARS } from '../../questions/years.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useSamples } from '../../ring/useSamples.ts';
import { Answer } from './Answer.tsx';
import { Beside } from './Beside.tsx';
import { Doubted } from './Doubted.tsx';
import { FirstQuestions } from './FirstQuestions.tsx';
import { GapAndAims } from './GapAndAims.tsx';
import { NextTime } from './NextTime.tsx';
import { NothingFits, RuledOut } from './RuledOut.tsx';
import { useGapForm } from './useGapForm.ts';
import { useHanging } from './useHanging.ts';
import { useOwn } from './useOwn.ts';
import { usePutting } from './usePutting.ts';
import { WhatHangs } from './WhatHangs.tsx';

export default function ChoosePage() {
  const { bedId } = useParams();
  const { beds } = useGarden();
  const bed = beds.find((b) => b.id === bedId);
  return bed ? <Chooser key={bed.id} bed={bed} /> : <p className="p-6">This bed is not in the garden.</p>;
}

function Chooser({ bed }: { bed: Bed }) {
  const { garden } = useGarden();
  const form = useGapForm(bed);
  const { aims, setAims } = form;
  const [asking, setAsking] = useState(false);
  const { samples, progress, problem, settled } = useSamples(asking ? null : form.question);
  const mine = useOwn(form.question);
  const hanging = useHanging(samples, aims, mine.sample, settled);
  const { able, out, chosen, late, choose } = hanging;
  const freeDay = dayOf(form.free);
  const plantDay = dayOf(form.plantOn);
  const putting = usePutting(bed, form, settled);
  const { doubted, setDoubted, put, draftOf } = putting;
  const crop = form.crop.name.toLowerCase();

  return (
    <main id="main" className="grid gap-6 px-4 py-4 sm:px-6 xl:grid-cols-[1fr_20rem]">
      <div className="min-w-0">
        <div className="flex flex-wrap items-baseline justify-between gap-3">
          <h1 className="font-display text-2xl font-bold">
            Bed {bed.name}: {form.before ? `after ${cropOf(form.before).name.toLowerCase()}, ` : ''}before{' '}
            {crop}
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
          <GapAndAims form={form} freeDay={freeDay} plantDay={plantDay} />
        )}
        {!asking && (
          <Trouble
            problem={problem}
            gap={
              form.valid
                ? undefined
                : 'The gap must be between 28 and 500 days: put the planting day after the day the ground is free.'
            }
          />
        )}
        {progress && (
          <p role="status" className="text-bark mt-2">
            On a few plausible years each, then what leads on {PLAUSIBLE_YEARS}: {progress[0]} of{' '}
            {progress[1]} covers done.
          </p>
        )}
        {samples.length > 0 && !progress && able.length === 0 && (
          <NothingFits samples={out} plantDay={plantDay} />
        )}
        {!asking && (
          <NextTime
            bedId={bed.id}
            kinds={chosen?.parts.map((p) => p.speciesId) ?? []}
            sowDay={chosen?.sowDay}
          />
        )}
        {doubted && (
          <Doubted
            sample={doubted}
            better={able[0]?.sample}
            plantDay={plantDay}
            crop={crop}
            put={() => void put(doubted, true)}
            plantOn={(day) => {
              setDoubted(null);
              form.setPlantOn(isoOf(day));
            }}
            show={(id) => {
              setDoubted(null);
              choose(id);
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
        {!asking && (
          <WhatHangs
            hanging={hanging}
            samples={samples}
            bed={bed}
            freeDay={freeDay}
            plantDay={plantDay}
            draftOf={draftOf}
          />
        )}
        {out.length > 0 && !progress && !asking && (
          <RuledOut samples={out} units={garden.units} plantDay={plantDay} open={able.length === 0} />
        )}
      </div>
      {chosen && !asking && (
        <Beside bed={bed} form={form} hanging={hanging} mine={mine} putting={putting} sample={chosen} />
      )}
    </main>
  );
}

/** What stands in the way of an answer. */
const Trouble = ({ gap, problem }: { gap: string | undefined; problem: string | undefined }) =>
  [gap, problem].map(
    (words) =>
      words && (
        <p key={words} role="alert" className="text-madder mt-3 font-semibold">
          {words}
        </p>
      ),
  );
