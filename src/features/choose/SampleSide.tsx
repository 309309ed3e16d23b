import { Fragment } from 'react';
import { methods } from '../../catalogue/catalogue.ts';
import { type MethodHere, type Sample } from '../../core/choose/choose.ts';
import { type UnitChoice } from '../../core/units/show.ts';
import { showDay } from '../../ui/dates.ts';
import { Odds } from '../../ui/parts.tsx';
import { reasonWords } from './words.ts';

interface Props {
  sample: Sample;
  units: UnitChoice;
  methodsHere: MethodHere[];
  bedName: string;
  years: number;
  onPut(): void;
}

/** The chosen sample in words: why, why not, every way to end it, and the button that puts it on the bed. */
export function SampleSide({ sample, units, methodsHere: here, bedName, years, onPut }: Props) {
  return (
    <aside className="border-linen xl:border-l xl:pl-6" aria-label="The chosen sample">
      <h2 className="font-display text-xl font-bold">{sample.name}</h2>
      <p className="text-bark">
        Sow {showDay(sample.sowDay)}.{' '}
        {sample.best
          ? `${methods.find((m) => m.id === sample.best!.method)?.name}, from ${showDay(sample.best.windowDays[0])} to ${showDay(sample.best.windowDays[1])}.`
          : ''}
      </p>
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
      <h3 className="mt-3 font-bold">Every way to end it, in time</h3>
      <dl className="grid grid-cols-[1fr_6rem] gap-x-3 gap-y-1 text-sm">
        {sample.endings.map((e) => (
          <Fragment key={e.method}>
            <dt>{methods.find((m) => m.id === e.method)?.name}</dt>
            <dd>
              {here.find((m) => m.id === e.method)?.missing.length ? (
                'not at hand'
              ) : (
                <Odds odds={e.odds.inTime} />
              )}
            </dd>
          </Fragment>
        ))}
      </dl>
      <button type="button" className="btn btn-primary mt-3" onClick={() => onPut()}>
        Put this on bed {bedName}
      </button>
      <p className="text-bark mt-3 text-sm">
        Computed over {years} plausible years at this site. Madder bars: when it can be ended. Dark bars: when
        the ground closes.
      </p>
    </aside>
  );
}
