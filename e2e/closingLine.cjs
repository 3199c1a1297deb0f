const { Runner, reporters } = require('mocha');

const { EVENT_TEST_PASS, EVENT_TEST_RETRY, EVENT_HOOK_END } = Runner.constants;

/** Mocha's usual report, then the ten slowest tests, what had to be tried again and why, and one plain line that any machine can read. */
module.exports = class ClosingLine extends reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    this.times = [];
    const took = (test) => this.times.push({ ms: test.duration ?? 0, title: test.fullTitle() });
    runner.on(EVENT_TEST_PASS, took);
    runner.on(EVENT_HOOK_END, took);
    this.again = [];
    runner.on(EVENT_TEST_RETRY, (test, error) => this.again.push(`${test.fullTitle()}: ${error.message}`));
  }

  epilogue() {
    super.epilogue();
    console.log('The ten slowest:');
    for (const { ms, title } of this.times.sort((a, b) => b.ms - a.ms).slice(0, 10))
      console.log(`  ${(ms / 1000).toFixed(1).padStart(6)} s  ${title}`);
    for (const what of this.again) console.log(`Tried again: ${what}`);
    const { passes, failures } = this.stats;
    console.log(`${passes} passed, ${failures} failed`);
  }
};
