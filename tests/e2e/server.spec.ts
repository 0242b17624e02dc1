import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { auditPlan } from '../../core/audit';
import type { Plan } from '../../core/plan';
import { read } from '../builders/dinner';

const text = readFileSync('demo/home-at-six.json', 'utf8');

test('POST /api/plan plans with the same core', async ({ request }) => {
  const response = await request.post('/api/plan?seconds=1', {
    data: text,
    headers: { 'content-type': 'application/json' },
  });
  expect(response.status()).toBe(200);
  expect(auditPlan(read(JSON.parse(text)), await response.json()).breaches).toEqual([]);
});

test('a client that listens is told of better plans, and of the last', async ({ request }) => {
  const response = await request.post('/api/plan?seconds=1', {
    data: readFileSync('demo/first-frost.json', 'utf8'),
    headers: { 'content-type': 'application/json', accept: 'text/event-stream' },
  });
  expect(response.headers()['content-type']).toContain('text/event-stream');
  const events = (await response.text()).split('\n\n').filter(Boolean);
  const parsed = events.map((block) => ({
    event: /^event: (.*)$/m.exec(block)![1],
    plan: JSON.parse(/^data: (.*)$/m.exec(block)![1]!) as Plan,
  }));
  expect(parsed.at(-1)!.event).toBe('plan');
  expect(parsed.slice(0, -1).every(({ event }) => event === 'better')).toBe(true);
  const costs = parsed.map(({ plan }) => plan.cost!);
  expect(costs).toEqual([...costs].sort((a, b) => b - a));
});

test('a search whose client goes away ends, and others are served meanwhile', async ({
  request,
  baseURL,
}) => {
  const leaving = new AbortController();
  const gone = fetch(`${baseURL}/api/plan?seconds=5`, {
    method: 'POST',
    body: readFileSync('demo/walnut-harvest.json', 'utf8'),
    headers: { 'content-type': 'application/json', accept: 'text/event-stream' },
    signal: leaving.signal,
  });
  const stream = (await gone).body!.getReader();
  await stream.read();
  const beside = await request.post('/api/plan?seconds=0.2', { data: JSON.parse(text) });
  expect(beside.status()).toBe(200);
  leaving.abort();
  await expect(stream.closed).rejects.toThrow();
});

test('a bad dinner is refused with the places of its mistakes', async ({ request }) => {
  const response = await request.post('/api/plan', { data: { ...JSON.parse(text), guests: 0 } });
  expect(response.status()).toBe(422);
  expect((await response.json()).data.problems).toEqual([
    { path: 'guests', found: '0', expected: 'a number of at least 1' },
  ]);
});

test('a dinner too large is refused', async ({ request }) => {
  const response = await request.post('/api/plan', {
    data: { ...JSON.parse(text), title: 'x'.repeat(1_100_000) },
  });
  expect(response.status()).toBe(413);
});
