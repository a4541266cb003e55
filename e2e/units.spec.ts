/** Every screen in the boat's own units, no metre on a boat of feet, no foot on a boat of metres; and no figure more exact than anybody knows it. */
import type { Page } from '@playwright/test';
import { alive, expect, test, url } from './boat';

const STATIONS = ['survey', 'loads', 'bank', 'charging', 'ac', 'wiring', 'protection', 'monitoring', 'check', 'build', 'commission', 'log'];

/** Figures with a unit of the school the boat is not of. Areas are names of sizes, and stand beside each other on purpose. */
const METRIC = /(?:\d ?|, )(?:m|mm|cm|kg|°C|L|N|N m|L\/h|mV\/°C|Ω\/km)(?![\w²/°Ω])|Ω\/km|mV\/°C|in °C/g;
const IMPERIAL = /(?:\d ?|, )(?:ft|lb|°F|gal|lb ft|lbf|gal\/h|mV\/°F)(?![\w²/])|\d in(?= ×|[,.;:]|$)|Ω\/1000 ft|mV\/°F|in °F/g;
/** Names and ratings as they are printed on the thing: classes of insulation and terminals, patterns of fuses and belts, a maker's coefficients to choose the unit of, and as they are set in it, the boat's own in brackets. */
const NAMES =
  /\b(?:60|75|85|90|105|110|125) °C|insulation(?: rating)?, °C|terminals(?: good for)?, °C|posts good for, °C|strip fuse, \d+ mm|V-belt \d+ mm|V \d+ mm|10 mm by 38 mm|volts by °C|% a °C|\d+ mm \([\d/ ]+ in\)|[\d to–]+ °C \([\d to–]+ °F\)|^mV\/°[CF] (?:cell|block|bank)$|[−-]?[\d.]+ mV\/°[CF] (?:cell|block|bank)(?= \()/g;

/** Figures of more than three digits that mean something: whole numbers of four, and volts, are read as they are set; what is longer than any figure is a name. */
function tooExact(line: string): readonly string[] {
  const exact = (text: string) =>
    text
      .replace(/^0\.0*/, '')
      .replace('.', '')
      .replace(text.includes('.') ? /$^/ : /0+$/, '').length > 3;
  const withUnit = [...line.matchAll(/(?<![\d.,/×-])(\d+(?:\.\d+)?) (?:A|W|VA|Ah|Wh|A²s|kg|lb|mΩ)(?![\w²/])/g)].map(
    ([, figure = '']) => figure,
  );
  const bare = line
    .replace(/(?:IEC|ISO|DIN|EN) \d+/g, '')
    .split(/[\t ]/)
    .filter((word) => /^\d{5,8}$/.test(word));
  return [...withUnit.filter((x) => x.includes('.') || x.length > 4), ...bare].filter(exact);
}

async function walk(page: Page, boat: string, foreign: RegExp): Promise<string[]> {
  const found = new Set<string>();
  const read = async (where: string) => {
    const text = await page.locator('body').innerText();
    for (const line of text.split('\n')) {
      if (foreign.test(line.replace(NAMES, ''))) found.add(`${where}: ${line.slice(0, 120)}`);
      for (const figure of tooExact(line)) found.add(`${where}, more than anybody knows: ${figure} in ${line.slice(0, 120)}`);
    }
  };
  foreign = new RegExp(foreign.source);
  for (const station of STATIONS) {
    await page.goto(`${url()}/boats/${boat}/${station}`);
    await alive(page);
    await expect(page.getByTestId('saved')).toContainText('saved');
    const views = page.locator('main [role=tab]');
    for (let at = 0; at < Math.max(1, await views.count()); at++) {
      const view = views.nth(at);
      const name = (await view.isVisible()) ? await view.innerText() : '';
      if (name !== '') await view.click();
      const cell = page.getByRole('gridcell').first();
      if (await cell.isVisible()) await cell.click();
      await page.waitForTimeout(400);
      await read(`${station}, ${name}`);
    }
  }
  return [...found];
}

test('a boat of feet, pounds and °F shows no metre, kilogram or °C', async ({ page, halcyon }) => {
  test.setTimeout(300_000);
  expect(await walk(page, halcyon, METRIC)).toEqual([]);
});
test('a boat of metres, kilograms and °C shows no foot, pound or °F', async ({ page, marram }) => {
  test.setTimeout(300_000);
  expect(await walk(page, marram, IMPERIAL)).toEqual([]);
});
