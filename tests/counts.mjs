// The last line of a test run: how many tests passed and failed, over all runners.
import { existsSync, readFileSync } from "node:fs";

const [failedChecks, ...files] = process.argv.slice(2);
let passed = 0;
let failed = 0;
for (const file of files.filter((f) => existsSync(f))) {
  const report = JSON.parse(readFileSync(file, "utf8"));
  passed += report.numPassedTests ?? report.stats.expected + report.stats.flaky;
  failed += report.numFailedTests ?? report.stats.unexpected;
}
if (passed + failed === 0) console.log("rondeau test: no test has run");
console.log(`\n${passed} passed, ${failed} failed${Number(failedChecks) ? `; ${failedChecks} checks failed` : ""}`);
process.exit(failed || Number(failedChecks) || passed === 0 ? 1 : 0);
