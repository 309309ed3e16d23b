import express, { type Router } from 'express';
import { readForecastAsk, simulateForecast } from './forecast.ts';
import { SimulatedScale } from './scale.ts';

const TICK_MS = 200;

/** Simulated stand-ins for a weather service and a kitchen scale. Every answer says that it is simulated. */
export function standIns(): Router {
  const router = express.Router();
  const scale = new SimulatedScale();
  router.use(express.json({ limit: '1kb' }));
  router.use((_req, res, next) => {
    res.setHeader('Cache-Control', 'no-store');
    next();
  });
  router.get('/forecast', (req, res) => {
    const ask = readForecastAsk(req.query as Record<string, unknown>);
    if (typeof ask === 'string') return void res.status(400).json({ error: ask });
    res.json(simulateForecast(ask));
  });
  router.get('/scale', (req, res) => {
    res.writeHead(200, { 'Content-Type': 'text/event-stream', Connection: 'keep-alive' });
    const send = () => res.write(`data: ${JSON.stringify(scale.tick())}\n\n`);
    send();
    const timer = setInterval(send, TICK_MS);
    req.on('close', () => clearInterval(timer));
  });
  router.post('/scale/pour', (req, res) => {
    const grams = Number((req.body as { grams?: unknown } | undefined)?.grams);
    if (!Number.isFinite(grams)) return void res.status(400).json({ error: 'grams must be a number' });
    scale.pour(grams);
    res.status(204).end();
  });
  router.post('/scale/tare', (_req, res) => {
    scale.tare();
    res.status(204).end();
  });
  router.post('/scale/empty', (_req, res) => {
    scale.empty();
    res.status(204).end();
  });
  router.use((_req, res) => void res.status(404).json({ error: 'no such service' }));
  return router;
}
