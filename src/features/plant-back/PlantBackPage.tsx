import { plantBack } from '../../records/commands/change.ts';
import { useParams, Link } from 'react-router';
import { z } from 'zod';
import { coverTitle, cropOf, findSpecies } from '../../catalogue/catalogue.ts';
import { type CropEntry } from '../../catalogue/schema.ts';
import { asOn } from '../../core/bed/pieces.ts';
import { type Day, dayOf } from '../../core/calendar/day.ts';
import { type PlantBack } from '../../core/plantBack/plantBack.ts';
import { type StrandId } from '../../core/plantBack/strands.ts';
import { showTemperature, type UnitChoice } from '../../core/units/show.ts';
import { familiesBefore, restMissing } from '../../questions/plantBack.ts';
import { changeCrop } from '../../records/commands/planting.ts';
import type { Planting } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useCover, useForecast } from '../../ring/useForecast.ts';
import { useKeptForm } from '../../ring/useKeptForm.ts';
import { usePlantBack } from '../../ring/usePlantBack.ts';
import { showDay, showIsoYear, showSpan } from '../../ui/dates.ts';
import { DateField } from '../../ui/fields.tsx';
import { Answer, NoAnswer, Page } from '../../ui/parts.tsx';
import { readyWords } from '../../ui/readyWords.ts';
import { Steps } from '../../ui/Steps.tsx';
import { OnTheDay } from './OnTheDay.tsx';
import { Shortfall } from './Shortfall.tsx';
import { Sooner } from './Sooner.tsx';
import { Strands, type StrandShown } from './Strands.tsx';

/** When this crop, planted this way, can go in; what holds it back, what would bring it forward, and what it finds there. */
export default function PlantBackPage() {
  const { cover, bed, beds, garden, plantings, covers, today, hands, run } = useCover(useParams().coverId);
  const { forecast, failure } = useForecast(cover);
  const next = cover && plantings.find((p) => p.id === cover.nextPlantingId);
  const ending =
    forecast?.settled ?? forecast?.endings.find((e) => e.method === cover?.method) ?? forecast?.best;
  const answer = usePlantBack(cover, bed, next, ending);
  if (!cover || !bed) return <p className="p-6">This cover is not in the garden.</p>;
  if (!next)
    return <p className="p-6">No crop is planned after this cover. Choose one under Bed {bed.name}.</p>;
  const crop = cropOf(next.cropId);
  const name = crop.name.toLowerCase();
  const plantDay = dayOf(next.plantOn);
  const families = familiesBefore(
    { bed, plantings: asOn(bed.id, beds, plantings), covers: asOn(bed.id, beds, covers) },
    next,
    plantDay,
  );
  return (
    <Page
      title={`Plant bed ${bed.name} back`}
      lead={`${crop.name} as ${next.way === 'seed' ? 'seed' : 'plants'} after ${coverTitle(cover).toLowerCase()}`}
      aside={
        answer && !next.plantedOn ? (
          <>
            <Sooner
              answer={answer}
              crop={name}
              way={next.way}
              noPlastic={garden.rules.noPlastic}
              units={garden.units}
              change={(cropId) => void run(changeCrop(hands, garden.id, next.id, cropId))}
            />
            <OnTheDay
              answer={answer}
              crop={crop}
              next={next}
              bed={bed}
              cover={cover}
              garden={garden}
              restMissing={restMissing(next, families)}
            />
          </>
        ) : undefined
      }
    >
      <Steps coverId={cover.id} bedId={bed.id} bedName={bed.name} />
      <NoAnswer failure={failure} />
      <Answer
        big={
          next.plantedOn
            ? `Planted ${showIsoYear(next.plantedOn)}`
            : ending
              ? `Ready ${showDay(ending.plantable.mid)}`
              : 'Working out the ready date…'
        }
      >
        {ending &&
          !next.plantedOn &&
          `${showSpan(ending.plantable.low, ending.plantable.high)} in 8 years of 10. ${readyWords(ending, plantDay)}`}
        {answer && !next.plantedOn && ` ${holdsBack(answer)}`}
      </Answer>
      {!next.plantedOn && <LogPlanting next={next} crop={name} />}
      {answer && !next.plantedOn && (
        <>
          <Strands
            strands={answer.strands.map((s) => shown(s, answer, crop, garden.units, next.way, plantDay))}
            motif={findSpecies(cover.parts[0]!.speciesId)?.role ?? 'grass'}
            today={dayOf(today)}
            ready={answer.ready.mid}
            plantDay={plantDay}
          />
          <Shortfall
            feeding={answer.feeding}
            plantDay={plantDay}
            crop={name}
            area_m2={bed.area_m2}
            units={garden.units}
          />
        </>
      )}
      {next.plantedOn && (
        <p className="mt-4">
          The strip is woven on.{' '}
          <Link to="/" className="underline">
            See the cloth
          </Link>
        </p>
      )}
    </Page>
  );
}

const planted = z.object({ on: z.string() });

/** The day on which it really went in. */
function LogPlanting({ next, crop }: { next: Planting; crop: string }) {
  const { today, hands, run } = useGarden();
  const form = useKeptForm(`planted ${next.id}`, planted, { on: today }, ({ on }) =>
    run(plantBack(hands, next, on)),
  );
  if (!form) return null;
  return (
    <form className="mt-2 mb-5 flex flex-wrap items-end gap-3" onSubmit={form.onSubmit}>
      <DateField label="Planted on" {...form.field('on')} />
      <button type="submit" className="btn btn-primary">
        Log planting of {crop}
      </button>
    </form>
  );
}

const LAST: Record<StrandId, string> = {
  dead: 'the cover, which is not dead before',
  flat: 'the mat of tops, which must settle first',
  pests: 'flies of green residue, which eat seed',
  rots: 'what lies, which must rot or dry first',
  nitrogen: 'nitrogen that is tied up',
  check: 'what the residue gives off against small seed',
  warm: 'the soil, which must be warm enough',
};

/** What decides the day, by the strand that runs out last in most years. */
function holdsBack({ strands }: PlantBack): string {
  const last = [...strands].sort((a, b) => b.holdsBack - a.holdsBack)[0]!;
  return `What holds it back: ${LAST[last.id]} (last in ${Math.round(last.holdsBack * 100)} years of 100).`;
}

function shown(
  s: PlantBack['strands'][number],
  { waits_d20, cooler_c }: PlantBack,
  crop: CropEntry,
  units: UnitChoice,
  way: 'transplant' | 'seed',
  plantDay: Day,
): StrandShown {
  const warm = showTemperature(20, units);
  switch (s.id) {
    case 'dead':
      return { ...s, title: 'Dead', note: 'nothing green at the crowns' };
    case 'flat':
      return {
        ...s,
        title: 'Lies flat',
        note: `tops wilt and settle in ${days(waits_d20.flat)} at ${warm}`,
      };
    case 'pests':
      return {
        ...s,
        title: 'Seed flies gone',
        note: `${days(waits_d20.pests)} at ${warm} after green tops; plants do not mind`,
      };
    case 'nitrogen':
      return {
        ...s,
        title: 'Nitrogen back',
        note: 'what rotting took is given back; fed, the crop need not wait for it',
      };
    case 'rots':
      return {
        ...s,
        title: 'Mellow',
        note: `${days(waits_d20.rots)} in soil of ${warm} for ${way === 'seed' ? 'seed' : 'plants'}; colder takes up to three times`,
      };
    case 'check':
      return {
        ...s,
        title: 'Check on small seed',
        note: `${leftWords(s, plantDay)}${days(waits_d20.check)} at ${warm}; plants do not mind`,
      };
    case 'warm':
      return {
        ...s,
        title: 'Warm enough',
        note: `${showTemperature(crop.soilMin_c, units)} at seed depth${cooler_c.mid >= 0.5 ? `; ${coolerWords(cooler_c.mid, units)} cooler under what lies` : ''}`,
      };
  }
}

const days = (d: number): string => `${Math.max(1, Math.round(d))} ${Math.round(d) <= 1 ? 'day' : 'days'}`;

/** How much of a check is left on planting day, where any is. */
function leftWords({ left }: PlantBack['strands'][number], plantDay: Day): string {
  const then = left?.findLast((l) => l.day <= plantDay)?.share ?? 0;
  return then >= 0.05 ? `${Math.round(then * 100)} % of it left on planting day; ` : '';
}

const coolerWords = (c: number, units: UnitChoice): string =>
  units.temperature === 'fahrenheit' ? `${Math.round(c * 1.8)} °F` : `${Math.round(c)} °C`;
