import path from 'node:path';
import { tellCount, tellFailure, tellSlowest } from './told.mjs';

/** Browser tests, told shortly. */
export default class ShortReporter {
  timed = [];
  passed = 0;
  failed = 0;

  onTestEnd(test, result) {
    const name = `${path.basename(test.location.file)}: ${test.title}`;
    this.timed.push([name, result.duration]);
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
    tellSlowest(this.timed);
    tellCount(this.passed, this.failed);
  }
}
