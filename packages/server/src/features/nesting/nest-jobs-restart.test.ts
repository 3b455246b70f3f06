import { expect, test } from '@jest/globals';
import { readNestPlan } from '@keen/core';
import { testApp } from '../../test/app.ts';
import { isOver, order, SLOW_MS, until, type Row } from '../../test/nest-jobs.ts';

test(
  'a server that ends in the middle takes its jobs up again, with what they had found',
  async () => {
    const first = await testApp();
    const asked = order({ seconds: 4 });
    await first.api.post('/api/projects/print-room/nest-jobs').send(asked).expect(201);
    const found = await until(asked['id'] as string, ({ plan }) => plan !== null, first);
    const again = await first.restart();
    const row = (await again.api.get(`/api/nest-jobs/${asked['id']}`).expect(200)).body as Row;
    expect(row['state']).toBe('running');
    expect(row['plan']).not.toBeNull();
    const over = await until(asked['id'] as string, isOver, again);
    expect(over['state']).toBe('done');
    expect(readNestPlan(over['plan']).score.sheets).toBeLessThanOrEqual(readNestPlan(found['plan']).score.sheets);
    await again.close();
  },
  SLOW_MS,
);
