import { lazy, Suspense } from 'react';
import { useParams } from 'react-router';
import { coverTitle, speciesOf } from '../../catalogue/catalogue.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { plantBackDay } from '../../questions/cover.ts';
import { readyWords } from '../../ui/readyWords.ts';
import { useCover, useForecast } from '../../ring/useForecast.ts';
import { removeLook } from '../../records/verbs/verbs.ts';
import { showSpan } from '../../ui/dates.ts';
import { METHOD_SHORT } from '../../ui/methodWords.ts';
import { Answer, NoAnswer, Page } from '../../ui/parts.tsx';
import { Steps } from '../../ui/Steps.tsx';
import { LookStrip } from './LookStrip.tsx';
import { LookForm } from './LookForm.tsx';
import { type SeenStage } from './GrowthChart.tsx';
import type { Look } from '../../records/types.ts';

const GrowthChart = lazy(() => import('./GrowthChart.tsx'));

/** Take a look: enter little, see the forecast move. */
export default function LookPage() {
  const { cover, bed, looks, plantings, today, hands, run } = useCover(useParams().coverId);
  const { forecast, failure } = useForecast(cover);
  if (!cover || !bed) return <p className="p-6">This cover is not in the garden.</p>;
  const mine = looks.filter((l) => l.coverId === cover.id).sort((a, b) => b.on.localeCompare(a.on));
  const lead = forecast?.stand.stages[0];
  const best = forecast?.settled ?? forecast?.best;

  return (
    <div className="garden-touch">
      <Page title={`Look at bed ${bed.name}`} lead={coverTitle(cover)}>
        <Steps coverId={cover.id} bedId={bed.id} bedName={bed.name} />
        <NoAnswer failure={failure} />
        {!cover.sownOn ? (
          <p className="text-lg">Nothing is sown here yet. Log the sowing first.</p>
        ) : (
          <>
            <Answer
              big={
                best
                  ? `Can be ended ${showSpan(best.windowDays[0], best.windowDays[1])}`
                  : 'Working out when it can be ended…'
              }
            >
              {best && lead && (
                <>
                  By {METHOD_SHORT[best.method]}. {readyWords(best, plantBackDay(cover, plantings))}{' '}
                  {speciesOf(lead.speciesId).name} flowers {showSpan(lead.flower.low, lead.flower.high)}.{' '}
                  {mine.length > 0 &&
                    `${Math.round(forecast!.effectiveYears)} of ${forecast!.years} plausible years still look like what you saw.`}
                </>
              )}
            </Answer>
            <LookForm cover={cover} bed={bed} />
            <div className="mt-6 max-w-3xl">
              {forecast && (
                <Suspense fallback={<p>Drawing…</p>}>
                  <GrowthChart
                    growth={forecast.growth}
                    covers={mine
                      .filter((l) => l.cover !== null)
                      .map((l) => ({ day: dayOf(l.on), cover: l.cover! }))}
                    members={cover.parts.map((p, i) => ({
                      name: speciesOf(p.speciesId).name,
                      seen: stagesSeen(mine, p.speciesId, i === 0),
                    }))}
                    today={dayOf(today)}
                  />
                </Suspense>
              )}
            </div>
            <LookStrip bedId={bed.id} cover={cover} takeAway={(l) => void run(removeLook(hands, l))} />
          </>
        )}
      </Page>
    </div>
  );
}

/** Stages that a kind was seen at, oldest first; what was said of the whole was said of what leads it. */
const stagesSeen = (looks: Look[], speciesId: string, leads: boolean): SeenStage[] =>
  looks
    .flatMap((l) => {
      const stage = l.members.find((m) => m.speciesId === speciesId)?.stage ?? (leads ? l.stage : null);
      return stage ? [{ day: dayOf(l.on), stage }] : [];
    })
    .sort((a, b) => a.day - b.day);
