/** Writes docs/rules.md from the table of rules, and docs/figures.md from the tables of figures; with --check only compares. */
import { readFileSync, writeFileSync } from 'node:fs';
import { RULE_SET_NAMES, ruleRows } from '../src/core/check';
import { AREAS, AUDIT } from '../src/core/check/audit';
import { PAIRS } from '../src/core/check/pairs';
import { figuresPage } from './figures';

const SEVERITY = { stop: 'stop', fix: 'fix', note: 'note' } as const;
const cell = (text: string): string => text.replaceAll('|', '\\|');
const section = (set: (typeof RULE_SET_NAMES)[number]): string => {
  const rows = ruleRows().filter((r) => r.set === set);
  return [
    `## ${set === 'AC' ? 'AC' : set.charAt(0).toUpperCase() + set.slice(1)}`,
    '',
    '| rule | about | says | when | why | what to do | hazard | confirmed by | put right here | a fact that fires it | source |',
    '|---|---|---|---|---|---|---|---|---|---|---|',
    ...rows.map((r) => {
      const facts = [
        ...new Set(PAIRS.filter((p) => p.rule === r.id).map((p) => p.path.filter((_, i) => i !== 1 || p.path.length < 3).join('.'))),
      ];
      const cells = [
        r.id,
        r.about,
        SEVERITY[r.severity],
        r.when,
        r.why,
        r.todo,
        r.hazard,
        r.confirm,
        r.curable ? 'yes' : 'by hand',
        facts.join(', '),
        r.source,
      ];
      return `| ${cells.map(cell).join(' | ')} |`;
    }),
  ].join('\n');
};
const lines = (area: (typeof AREAS)[number]): string =>
  [
    `### Asked of ${area}`,
    '',
    '| line | rules | left to eyes, and why | asked where there is |',
    '|---|---|---|---|',
    ...AUDIT.filter((l) => l.area === area).map(
      (l) => `| ${[l.line, l.rules.join(', '), l.eyes, l.of ?? 'any boat'].map(cell).join(' | ')} |`,
    ),
  ].join('\n');
const text = `# Rules

<!-- Written by \`npm run rules\` from src/core/check/rules. Do not edit. -->

Every finding is one of these ${ruleRows().length} rows. "Says" is the gravest it says: a stop must be settled before the boat is built, a fix ought to be, a note is good to know.
Figures of standards are to be verified against the edition in force; local code, the maker's instructions and licensed practice come first.
For each rule \`src/core/check/pairs\` has a boat that is right and the one fact that makes it wrong; tests go through them, and try each cure.

## What a surveyor goes through

Line by line, the rules that answer it; where none can, the reason. The same lines stand in Check, the audit.

${AREAS.map(lines).join('\n\n')}

${RULE_SET_NAMES.map(section).join('\n\n')}
`;
const check = process.argv.includes('--check');
for (const [file, wanted] of [
  ['docs/rules.md', text],
  ['docs/figures.md', figuresPage()],
] as const) {
  if (!check) writeFileSync(file, wanted);
  else if (readFileSync(file, 'utf8') !== wanted) {
    console.error(`${file} is not what the tables say: npm run rules`);
    process.exit(1);
  }
}
