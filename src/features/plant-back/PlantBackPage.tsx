import { useState } from 'react';
import { useParams, Link } from 'react-router';
import { coverName, findCrop, membersOf, methods } from '../../catalogue/catalogue.ts';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { waitDays20 } from '../../core/residue/wait.ts';
import { takeApart } from '../../core/termination/method.ts';
import { showPerArea, showTemperature } from '../../core/units/show.ts';
import { nextCropOf } from '../../questions/methods.ts';
import { useCover, useForecast } from '../../ring/useForecast.ts';
import { savePlanting } from '../../records/verbs/verbs.ts';
import { showDay, showIsoYear, showSpan } from '../../ui/dates.ts';
import { DateField } from '../../ui/fields.tsx';
import { readyWords } from '../../ui/readyWords.ts';
import { Answer, Page } from '../../ui/parts.tsx';
import { Steps } from '../../ui/Steps.tsx';

/** When this crop, planted this way, can go in, and why. */
export default function PlantBackPage() {
  const { cover, bed, garden, plantings, today, hands, run } = useCover(useParams().coverId);
  const { forecast } = useForecast(cover);
  const [on, setOn] = useState(today);
  if (!cover || !bed) return <p className="p-6">This cover is not in the garden.</p>;
  const next = plantings.find((p) => p.id === cover.nextPlantingId);
  if (!next)
    return <p className="p-6">No crop is planned after this cover. Choose one under Bed {bed.name}.</p>;
  const crop = findCrop(next.cropId)!;
  const answer =
    forecast?.settled ?? forecast?.endings.find((e) => e.method === cover.method) ?? forecast?.best;
  const method = methods.find((m) => m.id === cover.method);
  const handling = method ? takeApart(method).handling : 'surface';
  const small = Math.max(...membersOf(cover.parts).map((m) => m.species.smallSeedWait_d * m.share));
  const wait = answer
    ? waitDays20(handling, answer.carbonToNitrogen, nextCropOf(next.cropId, next.way), small)
    : 0;
  return (
    <Page
      title={`Plant bed ${bed.name} back`}
      lead={`${crop.name} as ${next.way === 'seed' ? 'seed' : 'transplants'} after ${coverName(cover.parts).toLowerCase()}`}
    >
      <Steps coverId={cover.id} bedId={bed.id} bedName={bed.name} />
      <Answer
        big={
          next.plantedOn
            ? `Planted ${showIsoYear(next.plantedOn)}`
            : answer
              ? `Ready ${showDay(answer.plantable.mid)}`
              : 'Working out the ready date…'
        }
      >
        {answer &&
          !next.plantedOn &&
          `${showSpan(answer.plantable.low, answer.plantable.high)} in 8 years of 10. ${readyWords(answer, dayOf(next.plantOn))}`}
      </Answer>
      {answer && (
        <ul className="max-w-2xl">
          <li className="border-linen border-t py-2">
            <b>Dead {showSpan(answer.dead.low, answer.dead.high)}.</b>{' '}
            {cover.verdict === 'dead' && `You saw it dead on ${showIsoYear(cover.endedOn!)}.`}
          </li>
          <li className="border-linen border-t py-2">
            <b>Then about {Math.round(wait)} warm days&apos; wait.</b> That is in soil at{' '}
            {showTemperature(20, garden.units)}; colder soil stretches it up to three times.{' '}
            {next.way === 'transplant'
              ? 'Transplants are put through the mat and mind it little.'
              : 'Seed meets what the residue gives off and ties up; small seed waits longest.'}{' '}
            Out of the way {showSpan(answer.ready.low, answer.ready.high)}.
          </li>
          <li className="border-linen border-t py-2">
            <b>
              Soil of at least {showTemperature(crop.soilMin_c, garden.units)} for {crop.name.toLowerCase()}.
            </b>{' '}
            {answer.plantable.mid - answer.ready.mid > 3
              ? `Warmth is what holds it up: about ${Math.round(answer.plantable.mid - answer.ready.mid)} days after the bed is free.`
              : 'The soil is warm enough by then.'}
          </li>
          <li className="border-linen border-t py-2">
            <b>
              {answer.nitrogen_g_m2.mid >= 0 ? 'Gives' : 'Takes'}{' '}
              {showPerArea(Math.abs(answer.nitrogen_g_m2.mid), garden.units)} of nitrogen
            </b>{' '}
            ({showPerArea(answer.nitrogen_g_m2.low, garden.units)} to{' '}
            {showPerArea(answer.nitrogen_g_m2.high, garden.units)}) of the{' '}
            {showPerArea(crop.nitrogenNeed_g_m2, garden.units)} the crop needs. Feed the rest.
          </li>
        </ul>
      )}
      {next.plantedOn ? (
        <p className="mt-4">
          The strip is woven on.{' '}
          <Link to="/" className="underline">
            See the cloth
          </Link>
        </p>
      ) : (
        <form
          className="mt-4 grid max-w-xs gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            const shift = Math.max(dayOf(next.clearOn) - dayOf(next.plantOn), 20);
            void run(
              savePlanting(hands, { ...next, plantedOn: on, clearOn: isoOf(dayOf(on) + shift) }, 'plant'),
            );
          }}
        >
          <DateField label="Planted on" value={on} onChange={setOn} />
          <button type="submit" className="btn btn-primary justify-self-start">
            Log planting of {crop.name.toLowerCase()}
          </button>
        </form>
      )}
    </Page>
  );
}
