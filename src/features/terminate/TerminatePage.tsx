import { Link, useParams } from 'react-router';
import { cautions, coverName, methods } from '../../catalogue/catalogue.ts';
import { USUAL_AIMS } from '../../core/aims/aims.ts';
import { type EndingAnswer } from '../../core/plan/plan.ts';
import { datedPasses } from '../../core/plan/passes.ts';
import { plantBackDay } from '../../questions/cover.ts';
import { methodsHere } from '../../questions/methods.ts';
import { PLAUSIBLE_YEARS } from '../../questions/years.ts';
import { useCover, useForecast } from '../../ring/useForecast.ts';
import { saveCover } from '../../records/verbs/verbs.ts';
import { readyWords } from '../../ui/readyWords.ts';
import { showDay, showIso, showIsoYear } from '../../ui/dates.ts';
import { Answer, Page } from '../../ui/parts.tsx';
import { Steps } from '../../ui/Steps.tsx';
import { weekWords } from '../../ui/weekWords.ts';
import { Ways } from './Ways.tsx';
import { WorkPlan } from './WorkPlan.tsx';

/** Ways to end this cover side by side for this planting day; the chosen one becomes dated steps and a look afterwards. */
export default function TerminatePage() {
  const { cover, bed, garden, plantings, today, hands, run } = useCover(useParams().coverId);
  const { forecast } = useForecast(cover);
  if (!cover || !bed) return <p className="p-6">This cover is not in the garden.</p>;
  const plantDay = plantBackDay(cover, plantings);
  const here = methodsHere(garden, bed);
  const begun = cover.passes.some((p) => p.doneOn);
  const chosen = forecast?.endings.find((e) => e.method === cover.method);
  const choose = (e: EndingAnswer) => {
    const method = methods.find((m) => m.id === e.method)!;
    void run(
      saveCover(
        hands,
        { ...cover, method: method.id, passes: datedPasses(method.passes, e, plantDay) },
        'choose-ending',
        `ending by ${method.name.toLowerCase()}`,
      ),
    );
  };
  const entry = methods.find((m) => m.id === cover.method);
  const shown = (forecast?.settled?.method === cover.method ? forecast.settled : chosen) ?? undefined;
  return (
    <div className="garden-touch">
      <Page
        title={`End the cover on bed ${bed.name}`}
        lead={`${coverName(cover.parts)}; planting day ${showDay(plantDay)}`}
      >
        <Steps coverId={cover.id} bedId={bed.id} bedName={bed.name} />
        <Answer
          big={
            cover.verdict === 'dead'
              ? `Dead, seen ${showIsoYear(cover.endedOn!)}`
              : cover.passes[0]
                ? `${entry?.name ?? ''}, ${showIso(cover.passes.find((p) => !p.doneOn)?.due ?? cover.passes.at(-1)!.doneOn!)}`
                : 'Choose a way below'
          }
        >
          {shown && readyWords(shown, plantDay)}
          {cover.method === 'sheet' &&
            ' Under a sheet it is heat that counts, not weeks: the fixed times growers quote are one curve at different temperatures.'}
        </Answer>
        {!begun && forecast?.settled && shown === forecast.settled && forecast.weeks.length > 0 && (
          <section className="mt-3 mb-5 max-w-2xl" aria-label="Another week">
            {forecast.weeks.map((w) => (
              <p key={w.days}>{weekWords(w, garden.units)}</p>
            ))}
          </section>
        )}
        {cover.passes.length > 0 && (
          <WorkPlan
            cover={cover}
            today={today}
            save={(c, label) => void run(saveCover(hands, c, 'ending', label))}
          />
        )}
        {entry && (
          <p className="mt-3 max-w-2xl">
            <b className="text-madder">Caution.</b> {entry.cautions.map((c) => cautions[c]).join(' ')} Local
            rules and licensed practice come first.
          </p>
        )}
        {cover.verdict === 'dead' && (
          <Link className="btn btn-primary mt-4" to={`/cover/${cover.id}/plant`}>
            To planting back
          </Link>
        )}
        {!begun && (
          <section className="mt-6">
            <h2 className="font-display text-xl font-bold">
              Ways to end it, for planting on {showDay(plantDay)}
            </h2>
            {!forecast && <p role="status">Growing {PLAUSIBLE_YEARS} plausible years…</p>}
            {forecast && (
              <Ways
                endings={forecast.endings}
                here={here}
                chosen={cover.method}
                aims={cover.aims.length > 0 ? cover.aims : USUAL_AIMS}
                plantDay={plantDay}
                area_m2={bed.area_m2}
                units={garden.units}
                choose={choose}
              />
            )}
          </section>
        )}
      </Page>
    </div>
  );
}
