import { CalendarDays } from 'lucide-react';
import { lazy, Suspense, useId, useLayoutEffect, useRef, useState } from 'react';
import { showIsoYear } from './dates.ts';
import { EXAMPLE, orderOf, readDay } from '../core/calendar/typedDay.ts';

const Calendar = lazy(() => import('./Calendar.tsx'));
/** The order of the gardener's language, asked when somebody types: finding it out is slow, and most fields are only read. */
const order = () => orderOf(typeof navigator === 'undefined' ? undefined : navigator.language);

const NO_DAY = 'No such day between 1990 and 2100.';

interface Props {
  value: string;
  /** A day was said: on leaving the field, with Enter, or on the calendar. */
  onChange(iso: string): void;
  id?: string;
  /** Name of the field where no label stands beside it. */
  label?: string;
  className?: string;
  disabled?: boolean;
  /** What stands there is no day, or is one again: what goes by it must wait. A form around the field waits by itself. */
  onWrong?(wrong: boolean): void;
}

/** A day, typed in the order of the gardener's language or picked; nothing is saved while it is being typed. */
export function DateInput({
  value,
  onChange,
  id,
  label,
  className = 'input px-2',
  disabled,
  onWrong,
}: Props) {
  const shown = value ? showIsoYear(value) : '';
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const [open, setOpen] = useState(false);
  const box = useRef<HTMLSpanElement>(null);
  const hint = useId();
  const field = useRef<HTMLInputElement>(null);
  // What was said elsewhere stands, whatever was half typed here.
  const [of, setOf] = useState(value);
  if (of !== value) {
    setOf(value);
    setTyped(null);
    setWrong(false);
  }
  // A press on a button leaves this field first: before the press lands, whatever would go by the day that stood here waits.
  useLayoutEffect(() => {
    field.current?.setCustomValidity(wrong ? NO_DAY : '');
    onWrong?.(wrong);
  }, [wrong, onWrong]);
  const say = (iso: string) => {
    setTyped(null);
    setWrong(false);
    if (iso !== value) onChange(iso);
  };
  const settle = () => {
    if (typed === null) return;
    if (typed.trim() === '') {
      setTyped(null);
      return setWrong(false);
    }
    const iso = readDay(typed, order(), value || new Date().toISOString().slice(0, 10));
    if (iso) say(iso);
    else setWrong(true);
  };
  return (
    <span
      ref={box}
      role="presentation"
      className="relative inline-flex flex-col"
      onKeyDown={(e) => e.key === 'Escape' && setOpen(false)}
      onBlur={(e) => !box.current?.contains(e.relatedTarget) && setOpen(false)}
    >
      <span className="inline-flex items-stretch">
        <input
          ref={field}
          id={id}
          type="text"
          inputMode="text"
          autoComplete="off"
          aria-label={label}
          aria-invalid={wrong || undefined}
          aria-describedby={wrong ? hint : undefined}
          className={`${className} min-w-0`}
          disabled={disabled}
          value={typed ?? shown}
          onFocus={(e) => e.target.select()}
          onChange={(e) => {
            setTyped(e.target.value);
            // What was wrong with it goes with the next key: if it went with the press on a button, that would move from under the hand.
            setWrong(false);
          }}
          onBlur={settle}
          onKeyDown={(e) => {
            if (e.key !== 'Enter') return;
            e.preventDefault();
            settle();
          }}
        />
        <button
          type="button"
          aria-label="Pick a day"
          aria-expanded={open}
          disabled={disabled}
          className="text-bark flex items-center px-1.5"
          onClick={() => setOpen(!open)}
        >
          <CalendarDays size={16} strokeWidth={1.5} />
        </button>
      </span>
      {wrong && (
        <span id={hint} role="alert" className="text-madder text-sm font-semibold">
          {NO_DAY} Write for example {EXAMPLE[order()]}.
        </span>
      )}
      {open && (
        <span className="border-walnut bg-paper absolute top-full right-0 z-40 mt-1 border p-2 sm:right-auto sm:left-0">
          <Suspense fallback="One moment…">
            <Calendar
              value={value}
              pick={(iso) => {
                setOpen(false);
                say(iso);
              }}
            />
          </Suspense>
        </span>
      )}
    </span>
  );
}
