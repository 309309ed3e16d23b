import { evennessOf } from '../../core/broadcast/evenness.ts';
import { land } from '../../core/broadcast/hand.ts';
import { castsOf } from '../../core/broadcast/walk.ts';
import { streamOf } from '../../core/random/stream.ts';
import { type Frames, type FromYard, type ToYard } from './protocol.ts';

const SEED_PX = 1.6;
const PAPER = '#fbf6ec';
const EDGE = '#9e3a2d';
const MARGIN_M = 0.4;
const MOST_SEEDS = 400_000;

let canvas: OffscreenCanvas | undefined;
let pen: OffscreenCanvasRenderingContext2D | undefined;
let ratio = 1;
let ground = { length_m: 8, width_m: 1.2 };
let seed_mg = 25;
let colour = '#3c2a20';
const places = new Float32Array(2 * MOST_SEEDS);
let used = 0;
let drawn = 0;
let running = 0;

const say = (m: FromYard) => self.postMessage(m);
const scale = () => (canvas ? canvas.width / (ground.length_m + 2 * MARGIN_M) : 1);

/** Clears the bed and draws its ground. */
function sweep(): void {
  used = 0;
  drawn = 0;
  if (!canvas || !pen) return;
  canvas.height = Math.round((ground.width_m + 2 * MARGIN_M) * scale());
  pen.fillStyle = '#e9dcc6';
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.fillStyle = PAPER;
  pen.fillRect(MARGIN_M * scale(), MARGIN_M * scale(), ground.length_m * scale(), ground.width_m * scale());
}

/** Draws the seeds that have landed since the last frame; those that lie are never drawn again. */
function draw(): void {
  if (!pen) return;
  const s = scale();
  const size = SEED_PX * ratio;
  pen.fillStyle = colour;
  for (; drawn < used; drawn += 2)
    pen.fillRect(
      (places[drawn]! + MARGIN_M) * s - size / 2,
      (places[drawn + 1]! + MARGIN_M) * s - size / 2,
      size,
      size,
    );
  pen.strokeStyle = EDGE;
  pen.lineWidth = 1.5 * ratio;
  pen.strokeRect(MARGIN_M * s, MARGIN_M * s, ground.length_m * s, ground.width_m * s);
}

/** A browser draws no frames for a canvas that is scrolled out of sight: then the throw goes on by the clock. */
const UNSEEN_MS = 150;
function nextFrame(then: (now: number) => void): void {
  let came = false;
  const once = () => {
    if (came) return;
    came = true;
    clearTimeout(timer);
    then(performance.now());
  };
  const timer = setTimeout(once, UNSEEN_MS);
  requestAnimationFrame(once);
}

const measured = () => evennessOf(places.subarray(0, used), ground);

function run(message: Extract<ToYard, { type: 'run' }>): void {
  const turn = ++running;
  const stream = streamOf(message.luck);
  const casts = message.portions.flatMap((p) => castsOf(p, ground, message.hand, stream));
  const total = casts.reduce((sum, c) => sum + c.seeds, 0);
  let next = 0;
  let seeds = 0;
  const until = (wanted: number) => {
    while (next < casts.length && seeds < wanted) {
      const cast = casts[next++]!;
      seeds += cast.seeds;
      used = land(cast, message.hand, seed_mg, stream, places, used);
    }
  };
  const finish = (gaps: number[]) => {
    draw();
    say({ type: 'done', evenness: measured(), seeds: used / 2, frames: framesOf(gaps) });
  };
  if (message.seconds <= 0) {
    until(total);
    return finish([]);
  }
  const gaps: number[] = [];
  const from = performance.now();
  let last = from;
  const frame = (now: number) => {
    if (turn !== running) return;
    gaps.push(now - last);
    last = now;
    until(total * Math.min(1, (now - from) / 1000 / message.seconds));
    draw();
    // An unsteady hand may have emptied its bag before the last steps.
    if (seeds < total && next < casts.length) nextFrame(frame);
    else finish(gaps.slice(1));
  };
  nextFrame(frame);
}

function framesOf(gaps: number[]): Frames {
  const sorted = [...gaps].sort((a, b) => a - b);
  const at = (q: number) => sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))] ?? 0;
  return { count: gaps.length, median_ms: at(0.5), slowestTenth_ms: at(0.9) };
}

self.onmessage = (event: MessageEvent<ToYard>) => {
  const m = event.data;
  switch (m.type) {
    case 'canvas':
      canvas = m.canvas;
      ratio = m.ratio;
      pen = canvas.getContext('2d') ?? undefined;
      return sweep();
    case 'ground':
      ({ ground, seed_mg, colour } = m);
      running++;
      return sweep();
    case 'cast':
      used = land(m, m.hand, seed_mg, streamOf(m.luck), places, used);
      draw();
      return say({ type: 'evenness', evenness: measured(), seeds: used / 2 });
    case 'run':
      return run(m);
    case 'measure':
      return say({ type: 'evenness', evenness: measured(), seeds: used / 2 });
  }
};
