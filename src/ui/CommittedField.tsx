import { useState } from 'react';
import { type Failure, type Result } from '../core/result/result.ts';
import { failureWords } from './failureWords.ts';
import { Field } from './parts.tsx';

/** A labelled line that is taken over on Enter or on leaving it, once it can be read; until then it says what is wrong and what stood before stays. */
export function CommittedField<T>({
  label,
  shown,
  read,
  onCommit,
  hint,
  decimal,
}: {
  label: string;
  /** What stands, in words that `read` reads again. */
  shown: string;
  read(text: string): Result<T>;
  onCommit(value: T): void;
  hint?: string;
  decimal?: boolean;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [failure, setFailure] = useState<Failure | undefined>();
  const take = () => {
    if (typed === null || typed.trim() === shown) return setTyped(null);
    const value = read(typed.trim());
    if (!value.ok) return setFailure(value.failure);
    setFailure(undefined);
    setTyped(null);
    onCommit(value.value);
  };
  return (
    <Field label={label} hint={hint} error={failure && failureWords(failure)}>
      {(id) => (
        <input
          id={id}
          className="input"
          inputMode={decimal ? 'decimal' : undefined}
          value={typed ?? shown}
          onChange={(e) => {
            setFailure(undefined);
            setTyped(e.target.value);
          }}
          onBlur={take}
          onKeyDown={(e) => {
            if (e.key === 'Enter') {
              e.preventDefault();
              take();
            }
          }}
        />
      )}
    </Field>
  );
}
