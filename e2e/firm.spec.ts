/** The firm's page: what is due over all boats, and what equipment really draws, offered to its card. */
import { cardFrom } from '../src/core/design';
import { axe, designOf, expect, test, url } from './boat';

test('what is due, and what was measured on two boats, put on the card', async ({ page, marram }) => {
  const design = await designOf(page, marram);
  const [load] = design.loads;
  const [bank] = design.banks;
  if (!load || !bank) throw new Error('no load, no bank');
  // Its own boats, whatever an earlier try has left.
  const stamp = Date.now();
  const name = `Firm's pump ${stamp}`;
  const cardId = `card-${stamp}`;
  const card = { ...cardFrom({ ...load, name, ratingBy: 'W', rating: 100, mark: 'typical' }, cardId) };
  expect((await page.request.post(`${url()}/api/shelf/card`, { data: { item: card, seen: null } })).ok()).toBe(true);
  for (const rating of [120, 124]) {
    const boat = {
      ...design,
      boat: { ...design.boat, name: `Firm ${rating} ${stamp}` },
      loads: [{ ...load, name, cardId, ratingBy: 'W', rating, mark: 'measured' }, ...design.loads.slice(1)],
    };
    const made = await page.request.post(`${url()}/api/boats?from=file`, { data: boat });
    expect(made.ok()).toBe(true);
    const { id } = (await made.json()) as { id: string };
    const done = {
      id: `service-done-${id}`.slice(0, 60),
      kind: 'entry',
      thing: `service:torque-${bank.id}`,
      at: Date.now() - 380 * 86_400_000,
      body: { sort: 'work', text: 'torque', hours: 1.5 },
    };
    expect(
      (
        await page.request.post(`${url()}/api/boats/${id}/records`, {
          data: { records: [done], by: { name: 'Test', device: 'test-device-1' } },
        })
      ).ok(),
    ).toBe(true);
  }
  await page.goto(url());
  await page.getByRole('link', { name: /due work, hours/ }).click();
  await expect(page.getByRole('heading', { name: 'The firm' })).toBeVisible();
  const due = page
    .getByRole('table', { name: 'Due work' })
    .getByRole('row')
    .filter({ hasText: `Firm 120 ${stamp}` });
  await expect(due).toContainText(`torque of the posts of ${bank.name}`);
  await expect(due).toContainText('over');
  await expect(
    page
      .getByRole('table', { name: 'Boats of the firm' })
      .getByRole('row')
      .filter({ hasText: `Firm 124 ${stamp}` }),
  ).toContainText('1.5');
  // Every figure stands under its own head.
  for (const name of ['Due work', 'Boats of the firm', 'Equipment learned']) {
    const rows = page.getByRole('table', { name }).getByRole('row');
    expect(await rows.nth(1).getByRole('cell').count()).toBe(await rows.nth(0).locator('th').count());
  }
  const learned = page.getByRole('table', { name: 'Equipment learned' }).getByRole('row').filter({ hasText: name });
  await expect(learned).toContainText('n = 2');
  await expect(learned).toContainText('22 % more than its card says (100 W)');
  await axe(page);
  await learned.getByRole('button', { name: /^put it on the card/ }).click();
  await expect(page.getByRole('status')).toContainText('says what was measured now');
  const shelf = (await (await page.request.get(`${url()}/api/shelf/card`)).json()) as {
    item: { id: string; rating: number; mark: string };
  }[];
  expect(shelf.find((c) => c.item.id === cardId)?.item).toMatchObject({ rating: 122, mark: 'measured' });
});
