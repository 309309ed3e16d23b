import { Fragment, type ReactNode } from 'react';
import { methods } from '../../catalogue/catalogue.ts';
import { type Sample } from '../../core/choose/choose.ts';
import { type MethodHere } from '../../core/termination/method.ts';
import { type UnitChoice } from '../../core/units/show.ts';
import { showDay } from '../../ui/dates.ts';
import { Odds } from '../../ui/parts.tsx';
import { type EndingAnswer } from '../../core/plan/plan.ts';
import { changeWords } from './changeWords.ts';
import { reasonWords } from './words.ts';

interface Props {
  sample: Sample;
  units: UnitChoice;
  methodsHere: MethodHere[];
  putLabel: string;
  plantDay: number;
  years: number;
  onPut(): void;
  /** Absent for a sample that is being altered already. */
  onAlter?: () => void;
  /** The sliders of a sample that is being altered. */
  alter?: ReactNode;
  children?: ReactNode;
}

/** The chosen sample in words: why, why not, every way to end it, and the button that puts it on the bed. */
export function SampleSide({
  sample,
  units,
  methodsHere: here,
  putLabel,
  plantDay,
  years,
  onPut,
  onAlter,
  alter,
  children,
}: Props) {
  const atHand = sample.endings.filter((e) => !here.find((m) => m.id === e.method)?.missing.length);
  const others = sample.endings.filter((e) => !atHand.includes(e));
  return (
    <aside className="border-linen xl:border-l xl:pl-6" aria-label="The chosen sample">
      <h2 className="font-display text-xl font-bold">{sample.name}</h2>
      <p className="text-bark">
        Sow {showDay(sample.sowDay)}.{' '}
        {sample.best
          ? `${methods.find((m) => m.id === sample.best!.method)?.name}, from ${showDay(sample.best.windowDays[0])} to ${showDay(sample.best.windowDays[1])}.`
          : ''}
      </p>
      {alter}
      <ul className="mt-3">
        {sample.reasons.map((r, i) => {
          const w = reasonWords(r, units);
          return (
            <li key={i} className="border-linen flex gap-2 border-t py-2">
              <span
                aria-hidden="true"
                className={`mt-2 h-1.5 w-3 shrink-0 ${r.side === 'for' ? 'bg-leaf' : 'bg-madder'}`}
              />
              <span>
                <span className="sr-only">{r.side === 'for' ? 'For: ' : 'Against: '}</span>
                <b>{w.lead}</b> {w.rest}
              </span>
            </li>
          );
        })}
      </ul>
      {sample.changes.length > 0 && (
        <div className="border-madder mt-2 border-l-4 pl-3">
          <h3 className="font-bold">What would have to change</h3>
          <ul>
            {sample.changes.map((c) => (
              <li key={c.kind}>{changeWords(c, sample, plantDay)}</li>
            ))}
          </ul>
        </div>
      )}
      <div className="mt-3 flex flex-wrap gap-2">
        <button type="button" className="btn btn-primary" onClick={() => onPut()}>
          {putLabel}
        </button>
        {onAlter && (
          <button type="button" className="btn" onClick={onAlter}>
            Alter it
          </button>
        )}
      </div>
      {children}
      <h3 className="mt-4 font-bold">Every way to end it, in time</h3>
      <Ways endings={atHand} />
      <details className="mt-2">
        <summary className="cursor-pointer underline">{others.length} more, not at hand here</summary>
        <Ways endings={others} missing={here} />
      </details>
      <p className="text-bark mt-3 text-sm">
        Computed over {years} plausible years at this site. Madder bars: when it can be ended. Dark bars: when
        the ground closes.
      </p>
    </aside>
  );
}

/** Ways of ending with their odds; with `missing`, what keeps each from being used. */
function Ways({ endings, missing }: { endings: EndingAnswer[]; missing?: MethodHere[] }) {
  return (
    <dl className="mt-1 grid grid-cols-[1fr_6rem] gap-x-3 gap-y-1 text-sm">
      {endings.map((e) => (
        <Fragment key={e.method}>
          <dt>
            {methods.find((m) => m.id === e.method)?.name}
            {missing && (
              <span className="text-bark block">
                {missing.find((m) => m.id === e.method)?.missing.join(', ')}
              </span>
            )}
          </dt>
          <dd>
            <Odds odds={e.odds.inTime} />
          </dd>
        </Fragment>
      ))}
    </dl>
  );
}
