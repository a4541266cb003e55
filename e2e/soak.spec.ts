/** The short form of npm run soak. */
import { expect, test } from '@playwright/test';
import { held, killedWhileMigrating, killedWhileTakingIn, killedWhileWriting, rubbish, struck } from './soak';

test('killed while four write, while archives are taken in, while an older file is brought up to date: nothing acknowledged is lost', async () => {
  expect(await killedWhileWriting(1, 2)).toMatchObject({ failed: 0, lost: 0 });
  expect(await killedWhileTakingIn(1, 3)).toMatchObject({ failed: 0, lost: 0 });
  expect(await killedWhileMigrating(1, 2, 100)).toMatchObject({ failed: 0, lost: 0 });
});

test('held by another program, struck on file, given rubbish: it answers, and goes on', async () => {
  expect(await held(1500)).toMatchObject({ failed: 0, lost: 0 });
  expect(await struck(1, 5)).toMatchObject({ failed: 0, lost: 0 });
  expect(await rubbish(1, 60, 20)).toMatchObject({ failed: 0, lost: 0 });
});
