/** The mark: a stepped lozenge, as woven. */
export function Mark({ size = 24 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 14 14" aria-hidden="true">
      <path fill="var(--color-madder)" d="M6 0h2v2h2v2h2v2h2v2h-2v2h-2v2H8v2H6v-2H4v-2H2V8H0V6h2V4h2V2h2z" />
      <path fill="var(--color-wool)" d="M6 4h2v2h2v2H8v2H6V8H4V6h2z" />
    </svg>
  );
}
