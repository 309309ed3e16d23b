import { DateInput } from './DateInput.tsx';
import { Field } from './parts.tsx';

/** A labelled choice from a list. */
export function SelectField<T extends string>({
  label,
  value,
  options,
  onChange,
  hint,
  error,
}: {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onChange(value: T): void;
  hint?: string;
  error?: string;
}) {
  return (
    <Field label={label} hint={hint} error={error}>
      {(id) => (
        <select
          id={id}
          className="select"
          value={value}
          aria-invalid={error !== undefined}
          onChange={(e) => onChange(e.target.value as T)}
        >
          {options.map(([key, text]) => (
            <option key={key} value={key}>
              {text}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}

/** A labelled day. */
export function DateField({
  label,
  value,
  onChange,
  hint,
  error,
  disabled,
  onWrong,
}: {
  label: string;
  value: string;
  onChange(iso: string): void;
  hint?: string;
  error?: string;
  disabled?: boolean;
  onWrong?(wrong: boolean): void;
}) {
  return (
    <Field label={label} hint={hint} error={error}>
      {(id) => <DateInput id={id} disabled={disabled} value={value} onChange={onChange} onWrong={onWrong} />}
    </Field>
  );
}

/** A labelled slider that shows its value in words. */
export function RangeField({
  label,
  value,
  shown,
  min,
  max,
  step = 1,
  onChange,
}: {
  label: string;
  value: number;
  shown: string;
  min: number;
  max: number;
  step?: number;
  onChange(value: number): void;
}) {
  return (
    <Field label={label}>
      {(id) => (
        <span className="flex items-center gap-3">
          <input
            id={id}
            type="range"
            className="accent-walnut min-w-0 flex-1"
            min={min}
            max={max}
            step={step}
            value={value}
            aria-valuetext={shown}
            onChange={(e) => onChange(Number(e.target.value))}
          />
          <output className="w-20 text-right whitespace-nowrap">{shown}</output>
        </span>
      )}
    </Field>
  );
}

/** A labelled line of text; `decimal` brings up figures on a phone. */
export function TextField({
  label,
  value,
  onChange,
  hint,
  error,
  decimal,
}: {
  label: string;
  value: string;
  onChange(text: string): void;
  hint?: string;
  error?: string;
  decimal?: boolean;
}) {
  return (
    <Field label={label} hint={hint} error={error}>
      {(id) => (
        <input
          id={id}
          className="input"
          inputMode={decimal ? 'decimal' : undefined}
          value={value}
          aria-invalid={error !== undefined}
          onChange={(e) => onChange(e.target.value)}
        />
      )}
    </Field>
  );
}

/** A tick with its words. */
export function Check({
  label,
  checked,
  onChange,
}: {
  label: string;
  checked: boolean;
  onChange(on: boolean): void;
}) {
  return (
    <label className="flex items-center gap-2 py-0.5">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={checked}
        onChange={(e) => onChange(e.target.checked)}
      />
      {label}
    </label>
  );
}
