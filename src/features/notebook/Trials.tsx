import { useMemo, useState } from 'react';
import { isCut } from '../../core/bed/pieces.ts';
import { endingPasses } from '../../core/bed/timeline.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { confoundersOf, type PlotKnown } from '../../core/trial/confounders.ts';
import { blocksToShow, spreadOfBlocks, verdictOf } from '../../core/trial/verdict.ts';
import { showPerArea, type UnitChoice } from '../../core/units/show.ts';
import { cutIntoPlots, measurePlot, removeTrial } from '../../records/commands/trial.ts';
import { type Bed, type Cover, type Trial } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showIso, showIsoYear } from '../../ui/dates.ts';
import { type Motif } from '../../ui/motifs.ts';
import { WeaveDefs, Woven } from '../../ui/Weave.tsx';
import { Compare } from './Compare.tsx';
import { MEASURE_WORDS, verdictWords } from './trialWords.ts';
import { NewTrial } from './NewTrial.tsx';

/** Trials: set before anything is seen, drawn by lot, judged by what the lots allow. */
export function Trials() {
  const { garden } = useGarden();
  const [setting, setSetting] = useState(false);
  const trials = [...garden.trials].sort(
    (a, b) => b.drawnOn.localeCompare(a.drawnOn) || a.id.localeCompare(b.id),
  );
  return (
    <div className="garden-touch max-w-6xl">
      {setting ? (
        <NewTrial done={() => setSetting(false)} />
      ) : (
        <>
          <p className="max-w-2xl">
            One question, one difference, plots that chance draws, and the measure fixed before: then what
            comes of it means something, and Kilim says no more than the plots allow.
          </p>
          <button type="button" className="btn btn-primary mt-3" onClick={() => setSetting(true)}>
            Set a trial
          </button>
        </>
      )}
      {trials.map((t) => (
        <TrialCard key={t.id} trial={t} />
      ))}
      {!setting && <Compare />}
    </div>
  );
}

/** A plot and the gap beside it, px. */
const PLOT_PX = 120;
const MOTIF_OF: Motif[] = ['residue', 'grass', 'legume', 'broadleaf'];

function TrialCard({ trial }: { trial: Trial }) {
  const { garden, beds, covers, today } = useGarden();
  const measured = useMemo(
    () => trial.plots.flatMap((p) => (p.value === null ? [] : [{ ...p, value: p.value }])),
    [trial.plots],
  );
  const lies = beds.find((b) => b.id === trial.plots[0]!.bedId);
  const bedName = beds.find((b) => b.id === (lies?.piece?.of ?? lies?.id))?.name ?? '?';
  return (
    <section className="border-linen mt-8 border-t pt-4" aria-label={trial.question}>
      <h2 className="font-display text-2xl font-bold">{trial.question}</h2>
      <p className="text-bark">
        Bed {bedName} in {trial.plots.length} pieces, drawn by lot on {showIsoYear(trial.drawnOn)}. Measure,
        day and what counts were set then: {MEASURE_WORDS[trial.measure][0].toLowerCase()},{' '}
        {showIso(trial.lookOn)}, {trial.counts} {trial.unit}.
      </p>
      <Plots trial={trial} />
      {measured.length === 0 ? (
        <p className="mt-2">
          {trial.lookOn > today
            ? `Measure every plot on ${showIso(trial.lookOn)}, all on one day, without looking at what the others gave.`
            : 'Measure every plot now, all on one day.'}
        </p>
      ) : (
        <Verdicts trial={trial} measured={measured} />
      )}
      {differences(trial, beds, covers, garden.units).map((c) => (
        <p key={c} className="border-madder mt-3 border-l-4 pl-3">
          {c}
        </p>
      ))}
      <TrialDeeds trial={trial} lies={lies} bedName={bedName} />
    </section>
  );
}

/** The plots as they lie, each with a field for its figure. */
function Plots({ trial }: { trial: Trial }) {
  const { garden, hands, run } = useGarden();
  return (
    <>
      <div
        className="runs-on mt-3 pb-2"
        tabIndex={0}
        role="group"
        aria-label={`Plots from ${trial.ends[0]} to ${trial.ends[1]}`}
      >
        <ol className="flex gap-2 pr-8">
          {trial.plots.map((p, i) => (
            <li key={i} className="relative w-28 shrink-0">
              <svg width={112} height={72} aria-hidden="true">
                <WeaveDefs prefix={`plot-${p.treatment}`} />
                <Woven
                  prefix={`plot-${p.treatment}`}
                  x={0}
                  y={0}
                  width={112}
                  height={72}
                  bands={[{ motif: MOTIF_OF[p.treatment]!, share: 1 }]}
                />
              </svg>
              <span
                aria-hidden="true"
                className="bg-paper absolute top-1.5 right-1.5 left-1.5 line-clamp-2 px-1 text-sm leading-tight font-bold"
              >
                {trial.treatments[p.treatment]}
              </span>
              <PlotField
                label={`Plot ${i + 1}, ${trial.treatments[p.treatment]}`}
                unit={trial.unit}
                value={p.value}
                take={(value) => void run(measurePlot(hands, garden.id, trial.id, i, value))}
              />
            </li>
          ))}
        </ol>
      </div>
      <p className="text-bark flex justify-between" style={{ maxWidth: trial.plots.length * PLOT_PX }}>
        <span>{trial.ends[0]}</span>
        <span>{trial.ends[1]}</span>
      </p>
    </>
  );
}

/** What the plots say of each treatment against the first, and how many more would settle it. */
function Verdicts({ trial, measured }: { trial: Trial; measured: Parameters<typeof verdictOf>[0] }) {
  return trial.treatments.slice(1).map((name, k) => {
    const v = verdictOf(measured, k + 1, trial.planned);
    if (!v) return null;
    const spread = spreadOfBlocks(measured, k + 1);
    const more = Number.isFinite(spread) ? blocksToShow(v.difference, spread, v.blocks) : undefined;
    const { head, lines } = verdictWords(v, trial, k + 1, more);
    return (
      <div key={name} className="bg-paper border-walnut mt-4 border-l-4 p-4">
        <p className="font-display text-2xl font-bold">{head}</p>
        {lines.map((l) => (
          <p key={l}>{l}</p>
        ))}
      </div>
    );
  });
}

function TrialDeeds({ trial, lies, bedName }: { trial: Trial; lies: Bed | undefined; bedName: string }) {
  const { garden, beds, today, hands, run } = useGarden();
  return (
    <div className="no-print mt-3 flex gap-3">
      <button type="button" className="btn btn-sm" onClick={() => window.print()}>
        Print the plots
      </button>
      {lies && !lies.piece && !isCut(lies.id, beds, dayOf(today)) && (
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => void run(cutIntoPlots(hands, garden.id, trial.id, today))}
        >
          Cut bed {bedName} into these plots
        </button>
      )}
      <button
        type="button"
        className="btn btn-ghost btn-sm"
        onClick={() => void run(removeTrial(hands, garden.id, trial.id))}
      >
        Take the trial away
      </button>
    </div>
  );
}

/** What the records of the plots tell that goes with a treatment and is none, in a sentence each. */
function differences(
  trial: Trial,
  beds: readonly Bed[],
  covers: readonly Cover[],
  units: UnitChoice,
): string[] {
  const stood = (bedId: string) =>
    covers.find(
      (c) =>
        c.bedId === bedId && c.sownOn && c.sownOn < trial.lookOn && (c.endedOn ?? '9999') > trial.drawnOn,
    );
  const known = trial.plots.map((p): PlotKnown => {
    const cover = stood(p.bedId);
    const bed = beds.find((b) => b.id === p.bedId);
    const used = cover?.seed.every((x) => x.used_g !== null)
      ? cover.seed.reduce((sum, x) => sum + x.used_g!, 0)
      : null;
    return {
      treatment: p.treatment,
      sownOn: cover?.sownOn ?? null,
      lots: cover ? cover.seed.flatMap((x) => x.lotId ?? []) : null,
      rate_g_m2: used !== null && bed ? used / bed.area_m2 : null,
      endedFrom: (cover && endingPasses(cover)[0]?.doneOn) ?? null,
    };
  });
  const mean = (figures: string[]) =>
    showPerArea(figures.reduce((sum, x) => sum + Number(x), 0) / figures.length, units);
  return confoundersOf(known).map(({ kind, treatment, here, control }) => {
    const [a, b] = [trial.treatments[treatment]!, trial.treatments[0]!];
    const days = (isos: string[]) => isos.map(showIso).join(' and ');
    const said = {
      sown: () => `"${a}" was sown on ${days(here)}, "${b}" on ${days(control)}`,
      seed: () => `The seed of "${a}" came from another lot than that of "${b}"`,
      rate: () => `"${a}" got ${mean(here)} of seed, "${b}" ${mean(control)}`,
      ended: () => `The ending of "${a}" began on ${days(here)}, that of "${b}" on ${days(control)}`,
    }[kind]();
    return `${said}: unless that is the question, it may be what made the difference.`;
  });
}

function PlotField({
  label,
  unit,
  value,
  take,
}: {
  label: string;
  unit: string;
  value: number | null;
  take(value: number | null): void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const settle = () => {
    if (typed === null) return;
    const text = typed.trim().replace(',', '.').replace('%', '');
    const v = text === '' ? null : Number(text);
    if (v !== null && !(Math.abs(v) < 1e6)) return setWrong(true);
    setWrong(false);
    setTyped(null);
    if (v !== value) take(v);
  };
  return (
    <span className="flex items-center gap-1">
      <input
        className={`input ${wrong ? 'border-madder' : ''}`}
        inputMode="decimal"
        aria-label={label}
        aria-invalid={wrong}
        value={typed ?? (value === null ? '' : String(value))}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={settle}
        onKeyDown={(e) => e.key === 'Enter' && settle()}
      />
      {unit}
    </span>
  );
}
