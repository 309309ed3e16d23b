import { answer } from './answer.ts';
import { type ToWorker } from './protocol.ts';

const cancelled = new Set<number>();
let queue: Promise<void> = Promise.resolve();

self.onmessage = (event: MessageEvent<ToWorker>) => {
  const message = event.data;
  if (message.type === 'cancel') {
    cancelled.add(message.id);
    return;
  }
  queue = queue.then(async () => {
    if (cancelled.has(message.id)) return self.postMessage({ type: 'cancelled', id: message.id });
    await answer(
      message,
      (m) => self.postMessage(m),
      () => cancelled.has(message.id),
      () => new Promise((resolve) => setTimeout(resolve, 0)),
    );
    cancelled.delete(message.id);
  });
};
