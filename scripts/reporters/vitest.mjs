import { tellCount, tellFailure, tellSlowest } from './told.mjs';

/** Unit tests, told shortly. */
export default class ShortReporter {
  onTestRunEnd(modules, unhandled) {
    let [passed, failed] = [0, 0];
    const timed = [];
    for (const module of modules) {
      timed.push([module.relativeModuleId, module.diagnostic().duration]);
      for (const { message } of module.errors()) {
        failed += 1;
        tellFailure(module.relativeModuleId, [message]);
      }
      for (const test of module.children.allTests()) {
        const { state, errors } = test.result();
        if (state === 'passed') passed += 1;
        else {
          failed += 1;
          const reasons = (errors ?? []).map(({ message, diff }) => `${message}\n${diff ?? ''}`);
          tellFailure(
            `${module.relativeModuleId}: ${test.fullName}`,
            reasons.length > 0 ? reasons : ['it did not run'],
          );
        }
      }
    }
    for (const { message } of unhandled) {
      failed += 1;
      tellFailure('the run itself', [message]);
    }
    tellSlowest(timed);
    tellCount(passed, failed);
  }
}
