import { type ReactNode, useId } from 'react';
import { TERMS, type TermId } from './terms.ts';

/** A word of the field that explains itself where it stands: tapped, it says in two sentences what it means. */
export function Term({ id, children }: { id: TermId; children?: ReactNode }) {
  const popover = `term${useId()}`;
  const [title, text] = TERMS[id];
  return (
    <>
      <button
        type="button"
        popoverTarget={popover}
        className="inline cursor-help text-left underline decoration-dotted underline-offset-4"
      >
        {children ?? title}
      </button>
      <span
        id={popover}
        popover="auto"
        className="border-walnut bg-paper text-walnut fixed inset-x-4 top-auto bottom-4 m-auto max-w-md border-2 p-4 text-left text-base font-normal whitespace-normal"
      >
        <b className="font-display block text-lg">{title}</b>
        {text}
      </span>
    </>
  );
}
