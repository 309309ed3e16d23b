/** A stem that dies and one that recovers, side by side: creased where it was pressed, or a stub where it was cut. */
export function Dying({ crimped }: { crimped: boolean }) {
  return (
    <svg
      viewBox="0 0 260 104"
      className="w-full max-w-[20rem]"
      role="img"
      aria-label="Left a dying crown, right one that lives"
    >
      <path d="M0 78H260" stroke="#8f6a2a" strokeWidth={2} />
      <g transform="translate(14 0)">
        <Roots ink="#a08b6a" />
        {crimped ? (
          <>
            <path d="M40 78V58" stroke="#b79a5a" strokeWidth={6} />
            <path d="M36 58h9" stroke="var(--color-bark)" strokeWidth={3} />
            <path d="M41 57Q70 56 108 70" stroke="#cfb069" strokeWidth={5} fill="none" />
            <path d="M74 58q8 8 18 7M88 63q4 8 14 8" stroke="#cfb069" strokeWidth={3} fill="none" />
          </>
        ) : (
          <>
            <path d="M34 78V60M42 78V56M50 78V62" stroke="#b79a5a" strokeWidth={6} />
            <path d="M31 60h6M39 56h6M47 62h6" stroke="var(--color-bark)" strokeWidth={3} />
          </>
        )}
        <text x={0} y={100} fontSize={13} fontWeight={700} fill="var(--color-walnut)">
          dying
        </text>
      </g>
      <g transform="translate(146 0)">
        <Roots ink="var(--color-linen)" />
        {crimped ? (
          <>
            <path d="M40 78V58" stroke="var(--color-leaf)" strokeWidth={6} />
            <path d="M41 57Q58 58 70 66Q84 74 88 44" stroke="var(--color-leaf)" strokeWidth={5} fill="none" />
            <path
              d="M88 44q-2 -14 8 -24M88 46q8 -8 16 -8"
              stroke="var(--color-leaf)"
              strokeWidth={3}
              fill="none"
            />
            <path d="M37 78q-12 -14 -14 -34" stroke="#7fa054" strokeWidth={3.5} fill="none" />
          </>
        ) : (
          <>
            <path d="M34 78V60M42 78V56M50 78V62" stroke="#8aa062" strokeWidth={6} />
            <path
              d="M42 56q-2 -20 -10 -30M42 56q4 -18 14 -24M50 66q10 -10 12 -22"
              stroke="var(--color-leaf)"
              strokeWidth={3.5}
              fill="none"
            />
          </>
        )}
        <text x={0} y={100} fontSize={13} fontWeight={700} fill="var(--color-walnut)">
          lives
        </text>
      </g>
    </svg>
  );
}

const Roots = ({ ink }: { ink: string }) => (
  <path d="M40 78v14M40 80l-12 10M40 80l12 10M38 84l-6 12M42 84l6 12" stroke={ink} strokeWidth={2} />
);
