/** npm test: installs what is missing, then types, lint, dependency rules, unit tests, production build, end-to-end. Ends with the true totals. */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, env, install, root } from './lib.mjs';

const chromium = process.env.CHROMIUM ?? '/usr/bin/chromium';
let passed = 0;
let failed = 0;

/** Runs one step; a step that fails counts as one failure unless it reports its own tests. */
function step(name, command, args, extra = {}) {
  console.log(`\n== ${name}`);
  const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...env, ...extra } });
  return status === 0;
}

/** Runs one check beside others; what it says is shown when it ends, so that two do not speak at once. */
const check = (name, args) =>
  new Promise((done) => {
    const said = [];
    const child = spawn('npm', ['run', '--silent', ...args], { cwd: root, env, stdio: ['ignore', 'pipe', 'pipe'] });
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (piece) => said.push(piece));
    child.on('error', (error) => said.push(Buffer.from(`${error.message}\n`)));
    child.on('close', (status) => {
      process.stdout.write(`\n== ${name}\n${Buffer.concat(said).toString()}`);
      if (status === 0) passed++;
      else failed++;
      done();
    });
  });

async function inTurn(checks) {
  for (const [name, args] of checks) await check(name, args);
}

function tallied(file, read) {
  try {
    const [ok, bad] = read(JSON.parse(readFileSync(file, 'utf8')));
    passed += ok;
    failed += bad;
    return ok + bad > 0;
  } catch {
    return false;
  }
}

/** Chromium of the system; fetched by apt where that is possible and permitted. */
function browser() {
  if (existsSync(chromium)) return;
  console.log('Chromium is missing: trying apt-get.');
  spawnSync('sh', ['-c', 'apt-get update && apt-get install -y --no-install-recommends chromium'], { stdio: 'inherit' });
  if (!existsSync(chromium))
    console.log(`No Chromium at ${chromium}: install Debian's package "chromium", or set CHROMIUM to one. The end-to-end tests will fail.`);
}

install();
browser();
const results = mkdtempSync(join(tmpdir(), 'solenix-results-'));
await Promise.all([
  inTurn([['lint', ['lint']]]),
  inTurn([
    ['types', ['types']],
    ['dependency rules', ['deps']],
    ['schema of the design file is up to date', ['schema', '--', '--check']],
    ['list of rules is up to date', ['rules', '--', '--check']],
  ]),
]);
const unit = join(results, 'unit.json');
const unitOk = step('unit tests', 'npx', ['jest', '--json', `--outputFile=${unit}`]);
if (!tallied(unit, (r) => [r.numPassedTests, r.numFailedTests + r.numRuntimeErrorTestSuites]) || (!unitOk && failed === 0)) failed++;
let built = true;
try {
  await build();
  passed++;
} catch {
  built = false;
  failed++;
}
if (built) {
  const e2e = join(results, 'e2e.json');
  const e2eOk = step('end to end, in Chromium', 'npx', ['playwright', 'test'], { PLAYWRIGHT_JSON_OUTPUT_NAME: e2e });
  const before = failed;
  if (!tallied(e2e, (r) => [r.stats.expected + r.stats.flaky, r.stats.unexpected]) || (!e2eOk && failed === before)) failed++;
}
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
