import { useCallback, useEffect, useRef, useState } from 'react';
import { hands } from './garden.tsx';

/** A store that does not answer for so long keeps no field from being typed into. */
const PATIENCE_MS = 2000;

/**
 * Something half typed, kept in the database with every key, so that neither a closed page nor a flat battery takes it. It is under no
 * undo and in no file. `value` is undefined until it is known whether something was kept.
 */
export function useDraft<T>(
  id: string,
  initial: T,
): [value: T | undefined, set: (value: T) => void, clear: () => void] {
  const [value, setValue] = useState<T>();
  const typed = useRef(false);
  useEffect(() => {
    let gone = false;
    typed.current = false;
    setValue(undefined);
    void hands.db.drafts
      .get(id)
      .catch(() => undefined)
      .then((kept) => {
        if (gone || typed.current) return;
        setValue(kept ? (JSON.parse(kept.text) as T) : initial);
      });
    const late = setTimeout(() => {
      if (!typed.current) setValue((there) => there ?? initial);
    }, PATIENCE_MS);
    return () => {
      gone = true;
      clearTimeout(late);
    };
    // What it starts from matters only when the draft changes.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id]);
  const set = useCallback(
    (next: T) => {
      typed.current = true;
      setValue(next);
      void hands.db.drafts.put({ id, text: JSON.stringify(next) }).catch(() => undefined);
    },
    [id],
  );
  const clear = useCallback(() => {
    typed.current = true;
    setValue(initial);
    void hands.db.drafts.delete(id).catch(() => undefined);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id]);
  return [value, set, clear];
}
