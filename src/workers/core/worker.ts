import { answer } from './answer.ts';
import { type ToWorker } from './protocol.ts';

const cancelled = new Set<number>();
let queue: Promise<void> = Promise.resolve();

// A timer would wait four milliseconds each time; a message to oneself only lets those before it in.
const { port1, port2 } = new MessageChannel();
const letIn = () =>
  new Promise<void>((resolve) => {
    port1.onmessage = () => resolve();
    port2.postMessage(0);
  });

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
      letIn,
    );
    cancelled.delete(message.id);
  });
};
