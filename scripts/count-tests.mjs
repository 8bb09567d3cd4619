// Prints "passed failed" of one test suite, read from the report its runner wrote.
import { readdirSync, readFileSync } from 'node:fs';

const read = {
  dotnet() {
    const sums = [0, 0];
    const folder = 'artifacts/test-results';
    for (const file of readdirSync(folder).filter((name) => name.endsWith('.trx'))) {
      const counters = /<Counters [^>]*>/.exec(readFileSync(`${folder}/${file}`, 'utf8'))[0];
      const of = (name) => Number(new RegExp(`\\b${name}="(\\d+)"`).exec(counters)?.[1] ?? 0);
      sums[0] += of('passed');
      sums[1] += of('failed') + of('error') + of('timeout') + of('aborted');
    }
    return sums;
  },
  client() {
    const report = JSON.parse(readFileSync('artifacts/test-results/client.json', 'utf8'));
    return [report.numPassedTests, report.numFailedTests];
  },
  browser() {
    const { stats } = JSON.parse(readFileSync('tests/browser/results/results.json', 'utf8'));
    return [stats.expected, stats.unexpected + stats.flaky];
  },
};

console.log(read[process.argv[2]]().join(' '));
