import { type FromYard, type ToYard } from './protocol.ts';

/** The yard's worker, with the canvas handed over to it. */
export class Yard {
  private readonly worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });

  constructor(canvas: HTMLCanvasElement, hear: (m: FromYard) => void) {
    const ratio = Math.min(2, window.devicePixelRatio || 1);
    canvas.width = Math.round(canvas.clientWidth * ratio);
    const off = canvas.transferControlToOffscreen();
    this.worker.onmessage = (event: MessageEvent<FromYard>) => hear(event.data);
    this.worker.postMessage({ type: 'canvas', canvas: off, ratio } satisfies ToYard, [off]);
  }
  tell(m: ToYard): void {
    this.worker.postMessage(m);
  }
  close(): void {
    this.worker.terminate();
  }
}
