const { reporters } = require('mocha');

/** Mocha's usual report, closed by one plain line that any machine can read. */
module.exports = class ClosingLine extends reporters.Spec {
  epilogue() {
    super.epilogue();
    const { passes, failures } = this.stats;
    console.log(`${passes} passed, ${failures} failed`);
  }
};
