// npm test: sets up a fresh machine, then lint, types and build, unit and reference tests, those of the data on PostgreSQL, browser tests.
import { mkdtempSync, openSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { spawn } from 'node:child_process';
import {
  checkNode,
  ensureBuild,
  ensureMessages,
  ensurePackages,
  ensureRouteTypes,
  ensureTestPrograms,
  environment,
  fail,
  root,
  run,
  say,
} from './setup.mjs';

checkNode();
ensurePackages();
ensureTestPrograms();
ensureMessages();
ensureRouteTypes();
say('Lint, types and build, side by side');
// The linter's rules take as long as all the rest.
const lint = spawn('npm', ['run', '--silent', 'lint:rules'], {
  cwd: root,
  env: environment,
  stdio: 'inherit',
});
const linted = new Promise((resolve) => lint.once('exit', resolve));
for (const name of ['types', 'lint:style', 'lint:imports']) run('npm', ['run', '--silent', name]);
ensureBuild();
if ((await linted) !== 0) fail('The linter found something; it is said above.');

const reports = mkdtempSync(path.join(tmpdir(), 'pembit-report-'));
const totals = { passed: 0, failed: 0, skipped: 0 };
/** The names of the failed, said once more at the end of the long output. */
const failed = [];
const repeated = [];
/** How long each file took, in milliseconds. */
const files = [];

/** Runs some tests; `quiet`: what they say is said when they are through, so that two runs can be told apart. */
function vitest(name, args, { quiet = false } = {}) {
  const report = path.join(reports, `${name}.json`);
  const options = ['--reporter=default', '--reporter=json', `--outputFile.json=${report}`];
  const log = path.join(reports, `${name}.log`);
  const out = quiet ? openSync(log, 'w') : 'inherit';
  const run = spawn('node_modules/.bin/vitest', ['run', ...args, ...options], {
    cwd: root,
    env: environment,
    stdio: ['ignore', out, out],
  });
  return new Promise((resolve) =>
    run.once('exit', (status) => {
      if (quiet) process.stdout.write(readFileSync(log, 'utf8'));
      count(name, report);
      resolve(status === 0);
    }),
  );
}

/** Adds up what a run counted. */
function count(name, file) {
  try {
    const report = JSON.parse(readFileSync(file, 'utf8'));
    totals.passed += report.numPassedTests;
    totals.failed += report.numFailedTests;
    totals.skipped += report.numPendingTests + report.numTodoTests;
    for (const { name: of, startTime, endTime, assertionResults, message } of report.testResults) {
      files.push({ of: path.relative(root, of), ms: endTime - startTime });
      // What fails before the first test (a hook, an import) is no test of its own.
      if (message) failed.push(`${path.relative(root, of)}: as a whole\n  ${message.split('\n')[0]}`);
      for (const { status, fullName, failureMessages } of assertionResults) {
        if (failureMessages.length === 0) continue;
        const why = failureMessages[0].split('\n').slice(0, 40).join('\n');
        (status === 'failed' ? failed : repeated).push(`${path.relative(root, of)}: ${fullName}\n${why}`);
      }
    }
  } catch {
    fail(`The ${name} tests did not run to their end.`);
  }
}

say('Unit, reference and property tests');
const unit = await vitest('unit', ['--project', 'unit']);
say('Tests of data and server once more, on PostgreSQL');
const postgres = await vitest('postgres', ['--project', 'postgres']);
// Most of a browser test is waiting: two halves go on side by side, each with servers of its own; what measures is alone.
const ALONE = ['storm', 'locks', 'stopping'].map((name) => `tests/browser/${name}.test.ts`);
const browser = ['--project', 'browser'];
/** How long the long ones take, in seconds (November 2026, two processors): so that both halves end at the same time. */
const SECONDS = {
  accessibility: 230, planning: 175, keyboard: 140, twoTerms: 125, materials: 110, newCourse: 110, officeHours: 100, closing: 100,
  processes: 100, school: 95, student: 92, signIn: 90, firstRun: 80, timetables: 80, nextTerm: 80, dates: 75, handling: 68, comingAndGoing: 60, story: 60, questions: 55,
}; // prettier-ignore
const OTHERS = 45;

/** The files in two halves: the longest first, each to the half that has less to do. */
function inHalves() {
  const files = readdirSync(path.join(root, 'tests/browser'))
    .filter((name) => name.endsWith('.test.ts') && !ALONE.includes(`tests/browser/${name}`))
    .map((name) => ({ file: `tests/browser/${name}`, seconds: SECONDS[name.split('.')[0]] ?? OTHERS }))
    .sort((a, b) => b.seconds - a.seconds);
  const halves = [1, 2].map(() => ({ seconds: 0, files: [] }));
  for (const { file, seconds } of files) {
    const half = halves[0].seconds <= halves[1].seconds ? halves[0] : halves[1];
    half.files.push(file);
    half.seconds += seconds;
  }
  return halves.map((half) => half.files);
}

say('Browser tests, in two halves side by side');
const halves = await Promise.all(
  inHalves().map((files, i) => vitest(`browser${i + 1}`, [...browser, ...files], { quiet: i > 0 })),
);
say('Browser tests that need the machine for themselves');
const alone = await vitest('alone', [...browser, ...ALONE]);
rmSync(reports, { recursive: true, force: true });
say('The ten slowest files');
for (const { of, ms } of files.sort((a, b) => b.ms - a.ms).slice(0, 10))
  console.log(`${String(Math.round(ms / 1000)).padStart(4)} s  ${of}`);
// A browser test has a second attempt; that it needed one is said, since somebody has to look at why.
for (const line of repeated) console.log(`\nOnly at the second attempt: ${line}`);
for (const line of failed) console.log(`\nFailed: ${line}`);
console.log(
  `\n${totals.passed} passed, ${totals.failed} failed, ${totals.skipped} skipped, ${repeated.length} at the second attempt`,
);
process.exit(unit && postgres && alone && halves.every(Boolean) && totals.passed > 0 ? 0 : 1);
