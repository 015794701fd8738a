// npm test: sets up a fresh machine, then lint, types and build, unit and reference tests, browser tests.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { spawn, spawnSync } from 'node:child_process';
import {
  checkNode,
  ensureBrowser,
  ensureBuild,
  ensurePackages,
  ensureRouteTypes,
  environment,
  fail,
  root,
  run,
  say,
} from './setup.mjs';

checkNode();
ensurePackages();
ensureBrowser();
ensureRouteTypes();
say('Lint, types and build, side by side');
const lint = spawn('npm', ['run', '--silent', 'lint'], { cwd: root, env: environment, stdio: 'inherit' });
const linted = new Promise((resolve) => lint.once('exit', resolve));
run('npm', ['run', '--silent', 'types']);
ensureBuild();
if ((await linted) !== 0) fail('The linter found something; it is said above.');

const reports = mkdtempSync(path.join(tmpdir(), 'pembit-report-'));
const totals = { passed: 0, failed: 0, skipped: 0 };
/** The names of the failed, said once more at the end of the long output. */
const failed = [];

/** Runs one project of tests and adds up what it counted. */
function tests(project) {
  const file = path.join(reports, `${project}.json`);
  const { status } = spawnSync(
    'node_modules/.bin/vitest',
    ['run', '--project', project, '--reporter=default', '--reporter=json', `--outputFile.json=${file}`],
    { cwd: root, env: environment, stdio: 'inherit' },
  );
  try {
    const report = JSON.parse(readFileSync(file, 'utf8'));
    totals.passed += report.numPassedTests;
    totals.failed += report.numFailedTests;
    totals.skipped += report.numPendingTests + report.numTodoTests;
    for (const { name, assertionResults } of report.testResults)
      for (const { status, fullName, failureMessages } of assertionResults)
        if (status === 'failed')
          failed.push(
            `${path.relative(root, name)}: ${fullName}\n  ${failureMessages[0]?.split('\n')[0] ?? ''}`,
          );
  } catch {
    fail(`The ${project} tests did not run to their end.`);
  }
  return status === 0;
}

say('Unit, reference and property tests');
const unit = tests('unit');
say('Browser tests');
const browser = tests('browser');
rmSync(reports, { recursive: true, force: true });
for (const line of failed) console.log(`\nFailed: ${line}`);
console.log(`\n${totals.passed} passed, ${totals.failed} failed, ${totals.skipped} skipped`);
process.exit(unit && browser && totals.passed > 0 ? 0 : 1);
