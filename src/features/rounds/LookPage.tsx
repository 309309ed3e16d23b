import { lazy, Suspense, useState } from 'react';
import { useParams } from 'react-router';
import { coverName, findSpecies } from '../../catalogue/catalogue.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { parseLength_m } from '../../core/units/length.ts';
import { showLength } from '../../core/units/show.ts';
import { useCover, useForecast } from '../../ring/useForecast.ts';
import { removeLook, saveLook } from '../../records/verbs/verbs.ts';
import type { Look } from '../../records/types.ts';
import { showIsoYear, showSpan } from '../../ui/dates.ts';
import { failureWords } from '../../ui/failureWords.ts';
import { METHOD_SHORT, STAGE_WORDS } from '../../ui/methodWords.ts';
import { Answer, Field, Page } from '../../ui/parts.tsx';
import { Steps } from '../../ui/Steps.tsx';

const GrowthChart = lazy(() => import('./GrowthChart.tsx'));

/** Take a look: enter little, see the forecast move. */
export default function LookPage() {
  const { cover, bed, garden, looks, today, hands, run } = useCover(useParams().coverId);
  const { forecast } = useForecast(cover);
  const [on, setOn] = useState(today);
  const [emergence, setEmergence] = useState('');
  const [ground, setGround] = useState('');
  const [height, setHeight] = useState('');
  const [stage, setStage] = useState('');
  const [weeds, setWeeds] = useState('');
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState('');
  if (!cover || !bed) return <p className="p-6">This cover is not in the garden.</p>;
  const mine = looks.filter((l) => l.coverId === cover.id).sort((a, b) => b.on.localeCompare(a.on));
  const lead = forecast?.stand.stages[0];
  const best = forecast?.settled ?? forecast?.best;

  async function log() {
    let height_m: number | null = null;
    if (height.trim()) {
      const read = parseLength_m(
        /[a-z'"]/i.test(height) ? height : `${height} ${garden.units.length === 'imperial' ? 'in' : 'cm'}`,
      );
      if (!read.ok && read.failure.code !== 'length-range') return setProblem(failureWords(read.failure));
      height_m = read.ok ? read.value : Number(read.failure.facts?.metres);
      if (height_m > 6) return setProblem('That is taller than any cover. Check the unit.');
    }
    setProblem('');
    const look: Look = {
      id: hands.newId(),
      gardenId: garden.id,
      bedId: bed!.id,
      coverId: cover!.id,
      on,
      emergence: (emergence || null) as Look['emergence'],
      cover: ground === '' ? null : Math.min(1, Math.max(0, Number(ground) / 100)),
      height_m,
      stage: (stage || null) as Look['stage'],
      alive: null,
      weeds: (weeds || null) as Look['weeds'],
      note,
    };
    if (await run(saveLook(hands, look, cover!))) {
      setEmergence('');
      setGround('');
      setHeight('');
      setStage('');
      setWeeds('');
      setNote('');
    }
  }

  return (
    <div className="garden-touch">
      <Page title={`Look at bed ${bed.name}`} lead={coverName(cover.parts)}>
        <Steps coverId={cover.id} bedId={bed.id} bedName={bed.name} />
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
                  By {METHOD_SHORT[best.method]}; out of the way in time in{' '}
                  {Math.round(best.odds.inTime * 100)} years of 100. {findSpecies(lead.speciesId)!.name}{' '}
                  flowers {showSpan(lead.flower.low, lead.flower.high)}.{' '}
                  {mine.length > 0 &&
                    `${Math.round(forecast!.effectiveYears)} of ${forecast!.years} plausible years still look like what you saw.`}
                </>
              )}
            </Answer>
            <form
              className="grid max-w-2xl gap-4 sm:grid-cols-2"
              onSubmit={(e) => {
                e.preventDefault();
                void log();
              }}
            >
              <Field label="Day of the look">
                {(id) => (
                  <input
                    id={id}
                    type="date"
                    className="input"
                    value={on}
                    onChange={(e) => setOn(e.target.value)}
                  />
                )}
              </Field>
              <Field label="Has it come up?">
                {(id) => (
                  <select
                    id={id}
                    className="select"
                    value={emergence}
                    onChange={(e) => setEmergence(e.target.value)}
                  >
                    <option value="">not looked at</option>
                    <option value="none">nothing yet</option>
                    <option value="some">here and there</option>
                    <option value="even">evenly</option>
                  </select>
                )}
              </Field>
              <Field
                label="Ground covered by leaves, %"
                hint="Look straight down at a few spots; how much soil is hidden?"
              >
                {(id) => (
                  <input
                    id={id}
                    type="number"
                    min={0}
                    max={100}
                    inputMode="numeric"
                    className="input"
                    value={ground}
                    onChange={(e) => setGround(e.target.value)}
                  />
                )}
              </Field>
              <Field label={`Height, ${garden.units.length === 'imperial' ? 'inches' : 'cm'}`}>
                {(id) => (
                  <input
                    id={id}
                    className="input"
                    inputMode="decimal"
                    value={height}
                    onChange={(e) => setHeight(e.target.value)}
                  />
                )}
              </Field>
              <Field
                label={`Stage of the ${findSpecies(cover.parts[0]!.speciesId)!.name.toLowerCase()}`}
                hint={stage ? STAGE_WORDS[stage]!.look : 'Choose one and read what to look for.'}
              >
                {(id) => (
                  <select id={id} className="select" value={stage} onChange={(e) => setStage(e.target.value)}>
                    <option value="">not looked at</option>
                    {Object.entries(STAGE_WORDS).map(([k, w]) => (
                      <option key={k} value={k}>
                        {w.name}
                      </option>
                    ))}
                  </select>
                )}
              </Field>
              <Field label="Weeds">
                {(id) => (
                  <select id={id} className="select" value={weeds} onChange={(e) => setWeeds(e.target.value)}>
                    <option value="">not looked at</option>
                    <option value="few">few</option>
                    <option value="some">some</option>
                    <option value="many">many</option>
                  </select>
                )}
              </Field>
              <div className="sm:col-span-2">
                <Field label="Note">
                  {(id) => (
                    <textarea
                      id={id}
                      className="textarea"
                      rows={2}
                      value={note}
                      onChange={(e) => setNote(e.target.value)}
                    />
                  )}
                </Field>
              </div>
              {problem && (
                <p role="alert" className="text-madder font-semibold sm:col-span-2">
                  {problem}
                </p>
              )}
              <button type="submit" className="btn btn-primary justify-self-start">
                Log this look
              </button>
            </form>
            <div className="mt-6 max-w-3xl">
              {forecast && (
                <Suspense fallback={<p>Drawing…</p>}>
                  <GrowthChart
                    growth={forecast.growth}
                    seen={mine
                      .filter((l) => l.cover !== null)
                      .map((l) => ({ day: dayOf(l.on), cover: l.cover! }))}
                    today={dayOf(today)}
                  />
                </Suspense>
              )}
            </div>
            <ul className="mt-4 max-w-2xl">
              {mine.map((l) => (
                <li key={l.id} className="border-linen flex flex-wrap gap-x-3 border-t py-2">
                  <b>{showIsoYear(l.on)}</b>
                  <span>
                    {[
                      l.emergence && `up: ${l.emergence}`,
                      l.cover !== null && `${Math.round(l.cover * 100)} % covered`,
                      l.height_m !== null && showLength(l.height_m, garden.units),
                      l.stage && STAGE_WORDS[l.stage]!.name.toLowerCase(),
                      l.weeds && `${l.weeds} weeds`,
                      l.note,
                    ]
                      .filter(Boolean)
                      .join(', ')}
                  </span>
                  <button
                    type="button"
                    className="btn btn-ghost btn-sm ml-auto"
                    onClick={() => void run(removeLook(hands, l))}
                  >
                    Take away
                  </button>
                </li>
              ))}
            </ul>
          </>
        )}
      </Page>
    </div>
  );
}
