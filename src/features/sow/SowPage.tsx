import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { coverName, findSpecies, findWay } from '../../catalogue/catalogue.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { G_PER_OZ, showMass } from '../../core/units/show.ts';
import { weightsOf } from '../../ring/asked.ts';
import { useCover, useForecast } from '../../ring/useForecast.ts';
import { saveCover } from '../../records/verbs/verbs.ts';
import { showIsoYear, showSpan } from '../../ui/dates.ts';
import { Answer, Field, Page } from '../../ui/parts.tsx';
import { Steps } from '../../ui/Steps.tsx';

/** In the garden: the steps of sowing, and the record of what was really thrown. */
export default function SowPage() {
  const { cover, bed, garden, today, hands, run } = useCover(useParams().coverId);
  const { forecast } = useForecast(cover);
  const imperial = garden.units.mass === 'imperial';
  const weights = cover && bed ? weightsOf(cover, bed) : [];
  const shown = (g: number) => (imperial ? (g / G_PER_OZ).toFixed(2) : g.toFixed(g < 20 ? 1 : 0));
  const [on, setOn] = useState(cover?.sownOn ?? today);
  const [used, setUsed] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState('');
  if (!cover || !bed) return <p className="p-6">This cover is not in the garden.</p>;
  const way = findWay(cover.wayId);

  async function log() {
    const seed = cover!.seed.map((s) => {
      const text =
        used[s.speciesId] ?? shown(s.used_g ?? weights.find((w) => w.speciesId === s.speciesId)!.weigh_g);
      return { ...s, used_g: Number(text.replace(',', '.')) * (imperial ? G_PER_OZ : 1) };
    });
    if (seed.some((s) => !(s.used_g > 0) || s.used_g > 500_000))
      return setProblem('Enter the weight really used for each kind, more than nothing.');
    setProblem('');
    // A later start moves the ending with it only where the ending would otherwise come before the sowing.
    await run(saveCover(hands, { ...cover!, seed, sownOn: on }, 'sow', `sowing bed ${bed!.name}`));
  }

  return (
    <div className="garden-touch">
      <Page title={`Sow bed ${bed.name}`} lead={coverName(cover.parts)}>
        <Steps coverId={cover.id} bedId={bed.id} bedName={bed.name} />
        {cover.sownOn ? (
          <Answer big={`Sown ${showIsoYear(cover.sownOn)}`}>
            {cover.seed
              .map(
                (s) =>
                  `${showMass(s.used_g ?? 0, garden.units)} ${findSpecies(s.speciesId)!.name.toLowerCase()}`,
              )
              .join(', ')}
            .{' '}
            {forecast
              ? `Up ${showSpan(forecast.stand.emerged.low, forecast.stand.emerged.high)}; ground closed ${showSpan(forecast.stand.closed.low, forecast.stand.closed.high)}.`
              : 'Working out when it comes up…'}
          </Answer>
        ) : (
          <Answer
            big={weights
              .map(
                (w) => `${showMass(w.weigh_g, garden.units)} ${findSpecies(w.speciesId)!.name.toLowerCase()}`,
              )
              .join(' + ')}
          >
            {cover.throws} throws, crosswise.{' '}
            {forecast &&
              `Sown on the planned day it would be up ${showSpan(forecast.stand.emerged.low, forecast.stand.emerged.high)}.`}
            {dayOf(cover.sowOn) > dayOf(today) && ` Planned for ${showIsoYear(cover.sowOn)}.`}
          </Answer>
        )}
        <ol className="max-w-2xl list-decimal space-y-2 pl-6 text-lg">
          <li>{way?.how}</li>
          <li>
            Weigh each portion. Take one portion, walk the bed lengthways, and throw all of it in half-filled
            handfuls.
          </li>
          <li>Throw the next portion walking crosswise. Large and small seed in throws of their own.</li>
          <li>
            {way?.id.startsWith('raked')
              ? 'Rake in both ways, then firm with the rake’s back.'
              : 'Do not disturb it; see that it stays moist until it is up.'}
          </li>
          <li>Water with a soft rose if no rain falls tonight. Never a jet: it floats seed into drifts.</li>
        </ol>
        <p className="mt-3 max-w-2xl">
          <b className="text-madder">Caution.</b> Coloured seed is treated and poisonous: gloves, cover every
          spill, keep birds, pets and children off, never eat or feed it.
        </p>
        <form
          className="border-warp mt-5 grid max-w-2xl gap-4 border-t pt-4"
          onSubmit={(e) => {
            e.preventDefault();
            void log();
          }}
        >
          <h2 className="font-display text-xl font-bold">
            {cover.sownOn ? 'Correct the record' : 'Done? Write it down'}
          </h2>
          <Field label="Sown on">
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
          {cover.seed.map((s) => (
            <Field
              key={s.speciesId}
              label={`${findSpecies(s.speciesId)!.name} really used, ${imperial ? 'ounces' : 'grams'}`}
            >
              {(id) => (
                <input
                  id={id}
                  inputMode="decimal"
                  className="input"
                  value={
                    used[s.speciesId] ??
                    shown(s.used_g ?? weights.find((w) => w.speciesId === s.speciesId)!.weigh_g)
                  }
                  onChange={(e) => setUsed({ ...used, [s.speciesId]: e.target.value })}
                />
              )}
            </Field>
          ))}
          {problem && (
            <p role="alert" className="text-madder font-semibold">
              {problem}
            </p>
          )}
          <button type="submit" className="btn btn-primary justify-self-start">
            {cover.sownOn ? 'Save the correction' : `Log sowing of bed ${bed.name}`}
          </button>
        </form>
        {cover.sownOn && (
          <Link className="btn mt-4" to={`/cover/${cover.id}/look`}>
            To the looks
          </Link>
        )}
      </Page>
    </div>
  );
}
