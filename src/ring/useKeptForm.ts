import { zodResolver } from '@hookform/resolvers/zod';
import { type FormEvent, useEffect, useRef } from 'react';
import {
  type DefaultValues,
  type FieldValues,
  type Path,
  type PathValue,
  useForm,
  useWatch,
} from 'react-hook-form';
import { type ZodType } from 'zod';
import { useDraft } from './useDraft.ts';

/** A form as its fields see it: what is typed, and what is wrong with it once the gardener has tried to save. */
export interface KeptForm<Typed extends FieldValues> {
  typed: Typed;
  /** What a labelled field asks for; give it to one as it is. */
  field<K extends Path<Typed>>(
    name: K,
  ): { value: PathValue<Typed, K>; onChange(value: PathValue<Typed, K>): void; error: string | undefined };
  set(part: Partial<Typed>): void;
  onSubmit(event: FormEvent): void;
  /** Back to what it began from; what was typed is forgotten. */
  clear(): void;
}

/**
 * A form whose fields are read by a Zod schema and whose half typed words outlive the page (see `useDraft`). `save` is given what the schema makes
 * of them; when it says that it was kept, the form begins anew but for the fields of `stay`. A second tap while it saves does nothing; a form that
 * would be complete when it begins anew lets its fields stay, so that a double tap says the same thing twice. Undefined until it is known what was
 * typed before.
 */
export function useKeptForm<Typed extends FieldValues, Said>(
  draft: string,
  schema: ZodType<Said, Typed>,
  initial: Typed,
  save: (said: Said) => Promise<boolean>,
  stay: readonly (keyof Typed)[] = [],
): KeptForm<Typed> | undefined {
  const [kept, keep, forget] = useDraft<Typed>(draft, initial);
  const form = useForm<Typed, unknown, Said>({
    defaultValues: initial as DefaultValues<Typed>,
    resolver: zodResolver(schema),
  });
  const typed = useWatch({ control: form.control }) as Typed;
  const shows = useRef<string>(undefined);
  const saving = useRef(false);
  useEffect(() => {
    if (!kept || shows.current === draft) return;
    shows.current = draft;
    form.reset(kept);
  }, [draft, kept, form]);
  if (!kept) return undefined;
  const { errors, isSubmitted } = form.formState;
  const put = <K extends Path<Typed>>(name: K, value: PathValue<Typed, K>) =>
    form.setValue(name, value, { shouldDirty: true, shouldValidate: isSubmitted });
  const clear = (last?: Typed) => {
    forget();
    const staying = last ? Object.fromEntries(stay.map((name) => [name, last[name]])) : {};
    form.reset({ ...initial, ...staying });
  };
  return {
    // Before it is reset to what was kept, a form of another draft would show for a moment.
    typed: shows.current === draft ? typed : kept,
    field: (name) => ({
      value: (shows.current === draft ? form.getValues(name) : kept[name]) as PathValue<Typed, typeof name>,
      onChange: (value) => {
        put(name, value);
        keep({ ...form.getValues() });
      },
      error: form.getFieldState(name, { ...form.formState, errors }).error?.message,
    }),
    set: (part) => {
      for (const [name, value] of Object.entries(part))
        put(name as Path<Typed>, value as PathValue<Typed, Path<Typed>>);
      keep({ ...form.getValues(), ...part });
    },
    onSubmit: (event) => {
      event.preventDefault();
      if (saving.current) return;
      saving.current = true;
      void form
        .handleSubmit(async (said) => {
          if (await save(said)) clear(form.getValues());
        })()
        .finally(() => (saving.current = false));
    },
    clear: () => clear(),
  };
}
