import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { auditPlan } from '../../core/audit';
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
