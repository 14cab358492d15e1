import fs from 'node:fs';
import path from 'node:path';
import { tableOf, timesOf } from './times.mjs';
import { tellCount, tellFailure, tellSlowest } from './told.mjs';

const TIMES = 'test-results/browser-times.txt';

/** Browser tests, told shortly. */
export default class ShortReporter {
  timed = [];
  times = [];
  passed = 0;
  failed = 0;

  onTestEnd(test, result) {
    const name = `${path.basename(test.location.file)}: ${test.title}`;
    this.timed.push([name, result.duration]);
    this.times.push({ name, duration: result.duration, ...timesOf(result.duration, result.steps) });
    if (result.status === 'passed') this.passed += 1;
    else if (result.status !== 'skipped') {
      this.failed += 1;
      tellFailure(
        name,
        result.errors.map(({ message, stack, snippet }) => `${message ?? stack}\n${snippet ?? ''}`),
      );
    } else {
      // Nothing is left out quietly: a test that did not run has not passed.
      this.failed += 1;
      tellFailure(name, ['it did not run']);
    }
  }

  onError(error) {
    this.failed += 1;
    tellFailure('the run itself', [error.message ?? String(error.value)]);
  }

  onEnd() {
    fs.mkdirSync('test-results', { recursive: true });
    fs.writeFileSync(TIMES, tableOf(this.times));
    console.log(`Where the time went, by file: ${TIMES}`);
    tellSlowest(this.timed, 10);
    tellCount(this.passed, this.failed);
  }
}
