import { KNOT, MOTIF_PX, MOTIFS, type Motif } from './motifs.ts';

/** Pattern definitions, once a drawing. `prefix` keeps ids apart where several drawings share a page. */
export function WeaveDefs({ prefix }: { prefix: string }) {
  return (
    <defs>
      {(Object.keys(MOTIFS) as Motif[]).map((name) => (
        <pattern
          key={name}
          id={`${prefix}-${name}`}
          width={MOTIF_PX}
          height={MOTIF_PX}
          patternUnits="userSpaceOnUse"
        >
          <rect width={MOTIF_PX} height={MOTIF_PX} fill={MOTIFS[name].ground} />
          <path d={knots(MOTIFS[name].rows)} fill={MOTIFS[name].yarn} />
        </pattern>
      ))}
      <pattern id={`${prefix}-warp`} width={6} height={8} patternUnits="userSpaceOnUse">
        <path d="M1.5 0V8M4.5 0V8" stroke="var(--color-warp)" strokeWidth={0.9} />
      </pattern>
      {[1, 2, 3, 4].map((k) => (
        <pattern key={k} id={`${prefix}-open${k}`} width={6} height={6} patternUnits="userSpaceOnUse">
          <rect width={6} height={GAPS[k]} fill="var(--color-wool)" />
          <path d={`M1.5 0V${GAPS[k]}M4.5 0V${GAPS[k]}`} stroke="var(--color-warp)" strokeWidth={0.9} />
        </pattern>
      ))}
    </defs>
  );
}

/** Height in pixels of the gap between wefts in a six-pixel step, by openness 1..4. */
const GAPS = [0, 1, 2, 3.2, 4.4];

function knots(rows: readonly string[]): string {
  let d = '';
  rows.forEach((row, y) => {
    for (let x = 0; x < row.length; x++)
      if (row[x] === '#') d += `M${x * KNOT} ${y * KNOT}h${KNOT}v${KNOT}h-${KNOT}z`;
  });
  return d;
}

const BAND_PX = 20;

interface WovenProps {
  prefix: string;
  x: number;
  y: number;
  width: number;
  height: number;
  /** Motifs with their shares of the stand; a mix is woven in bands. */
  bands: { motif: Motif; share: number }[];
  faint?: boolean;
  /** Ground cover 0..1 at a height of the strip; a thin stand is an open weave. */
  coverAt?: (y: number) => number;
}

/** A woven stretch of a strip. */
export function Woven({ prefix, x, y, width, height, bands, faint, coverAt }: WovenProps) {
  if (height <= 0) return null;
  const rects: { motif: Motif; y: number; h: number }[] = [];
  if (bands.length <= 1) rects.push({ motif: bands[0]?.motif ?? 'crop', y, h: height });
  else {
    const period = BAND_PX * bands.length;
    let at = y;
    for (let k = 0; at < y + height; k++) {
      const band = bands[k % bands.length]!;
      const h = Math.min(Math.max(8, Math.round(band.share * period)), y + height - at);
      rects.push({ motif: band.motif, y: at, h });
      at += h;
    }
  }
  const open: { y: number; h: number; k: number }[] = [];
  if (coverAt)
    for (let at = 0; at < height; at += 6) {
      const k = Math.round((0.85 - coverAt(y + at)) * 4.6);
      if (k >= 1) open.push({ y: y + at, h: Math.min(6, height - at), k: Math.min(4, k) });
    }
  return (
    <g opacity={faint ? 0.42 : 1}>
      {rects.map((r) => (
        <rect key={r.y} x={x} y={r.y} width={width} height={r.h} fill={`url(#${prefix}-${r.motif})`} />
      ))}
      {open.map((o) => (
        <rect key={o.y} x={x} y={o.y} width={width} height={o.h} fill={`url(#${prefix}-open${o.k})`} />
      ))}
    </g>
  );
}

/** A small square of weave beside a word. */
export function Swatch({ motif, size = 28 }: { motif: Motif | 'bare'; size?: number }) {
  const prefix = `sw-${motif}`;
  return (
    <svg width={size} height={18} aria-hidden="true" className="shrink-0">
      <WeaveDefs prefix={prefix} />
      <rect width={size} height={18} fill={`url(#${prefix}-${motif === 'bare' ? 'warp' : motif})`} />
    </svg>
  );
}
