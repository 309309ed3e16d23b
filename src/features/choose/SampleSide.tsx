import { type Day } from '../../core/calendar/day.ts';
import { Fragment, type ReactNode } from 'react';
import { methods } from '../../catalogue/catalogue.ts';
import { type Sample } from '../../core/choose/sample.ts';
import { type MethodHere } from '../../core/termination/method.ts';
import { showPerArea, type UnitChoice } from '../../core/units/show.ts';
import { showDay } from '../../ui/dates.ts';
import { Odds } from '../../ui/parts.tsx';
import { type EndingAnswer } from '../../core/plan/answers.ts';
import { METHOD_SHORT } from '../../ui/methodWords.ts';
import { weekWords } from '../../ui/weekWords.ts';
import { changeWords, laterWords } from '../../ui/changeWords.ts';
import { leadOf } from '../../questions/cover.ts';
import { LearntLine } from '../../ring/LearntLine.tsx';
import { reasonWords } from '../../ui/reasonWords.ts';

interface Props {
  sample: Sample;
  units: UnitChoice;
  methodsHere: MethodHere[];
  putLabel: string;
  plantDay: Day;
  /** How it would be sown. */
  wayId: string;
  years: number;
  /** It hangs by a later planting day. */
  late: boolean;
  /** Samples of the same kind of answer that stand behind it. */
  like?: { count: number; open: boolean; toggle(): void };
  /** What the packet or the shelf comes to on the ground it would be put on. */
  seed: string[];
  onPut(): void;
  /** Absent for a sample that is being altered already. */
  onAlter?: () => void;
  /** The sliders of a sample that is being altered. */
  alter?: ReactNode;
  children?: ReactNode;
}

const windowWords = ([from, to]: [number, number]): string =>
  to > from ? `from ${showDay(from)} to ${showDay(to)}` : `on ${showDay(from)}`;

/** The chosen sample in words: why, why not, every way to end it, and the button that puts it on the bed. */
export function SampleSide(props: Props) {
  const { sample, units, methodsHere: here, years, like, alter, children } = props;
  const atHand = sample.endings
    .filter((e) => !here.find((m) => m.id === e.method)?.missing.length)
    .sort((a, b) => b.odds.inTime - a.odds.inTime);
  const others = sample.endings.filter((e) => !atHand.includes(e));
  return (
    <aside className="border-linen xl:border-l xl:pl-6" aria-label="The chosen sample">
      <InShort {...props} />
      <LearntLine kind={leadOf(sample.parts)} wayId={props.wayId} method={sample.best?.method} />
      {alter}
      <Reasons sample={sample} units={units} />
      <Changes {...props} />
      <div className="mt-3 flex flex-wrap gap-2">
        <button type="button" className="btn btn-primary" onClick={() => props.onPut()}>
          {props.putLabel}
        </button>
        {props.onAlter && (
          <button type="button" className="btn" onClick={props.onAlter}>
            Alter it
          </button>
        )}
      </div>
      {like && (
        <button type="button" className="btn btn-sm mt-2" onClick={like.toggle}>
          {like.open ? 'Put those like it back' : `${like.count} more like this`}
        </button>
      )}
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

/** What it is, when it is sown and ended, whether it waits for a later planting, and what it comes to in seed. */
function InShort({ sample, units, plantDay, late, seed }: Props) {
  const { first, best } = sample;
  return (
    <>
      <h2 className="font-display text-xl font-bold">{sample.name}</h2>
      <p className="text-bark">
        {first &&
          `${first.name} from ${showDay(first.sowDay)}, ended ${showDay(first.best.startDay)} (${METHOD_SHORT[first.best.method] ?? ''}). Then `}
        {first ? 'sow' : 'Sow'} {showDay(sample.sowDay)}.{' '}
        {best ? `${methods.find((m) => m.id === best.method)?.name}, ${windowWords(best.windowDays)}.` : ''}
      </p>
      {late && (
        <p className="text-madder font-semibold">
          Not ready by {showDay(plantDay)}; {laterWords(sample, plantDay)}.
        </p>
      )}
      {sample.usualRate_g_m2 !== undefined && (
        <p className="mt-1">
          Poured as it is at the rate on the bag, {showPerArea(sum(sample.seed_g_m2), units)}; Kilim would sow{' '}
          {showPerArea(sample.usualRate_g_m2, units)} of these kinds.
        </p>
      )}
      {seed.map((line) => (
        <p key={line} className="mt-1">
          {line}
        </p>
      ))}
    </>
  );
}

function Reasons({ sample, units }: Pick<Props, 'sample' | 'units'>) {
  return (
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
  );
}

/** What another week would bring, and what would have to change where it fails. */
function Changes({ sample, units, plantDay }: Props) {
  return (
    <>
      {sample.weeks.length > 0 && (
        <div className="border-linen border-t py-2">
          <h3 className="font-bold">Another week</h3>
          {sample.weeks.map((w) => (
            <p key={w.days}>{weekWords(w, units)}</p>
          ))}
        </div>
      )}
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
    </>
  );
}

const sum = (xs: number[]): number => xs.reduce((a, b) => a + b, 0);

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
