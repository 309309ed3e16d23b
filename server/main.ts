import { type AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { makeApp } from './app.ts';

const dist = fileURLToPath(new URL('../dist', import.meta.url));
const path = process.argv.includes('--demo') ? '/open-demo/north-shore' : '/';
const server = makeApp(dist).listen(Number(process.env.PORT ?? 4173), '127.0.0.1', () => {
  const { port } = server.address() as AddressInfo;
  console.log(`Kilim is at http://localhost:${port}${path}`);
  if (path !== '/') console.log(`The southern garden is at http://localhost:${port}/open-demo/two-gums`);
});
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(
    error.code === 'EADDRINUSE' ? 'The port is taken. Choose another: PORT=4180 npm run demo' : error.message,
  );
  process.exit(1);
});
