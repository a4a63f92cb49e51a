// What Karma tells of the specs: a line a failing one with where it failed, and how many there were.

/** @param formatError traces a message back to the sources */
function lines(formatError) {
  let [passed, failed] = [0, 0];
  // Karma finds what is to be called among the object's own fields
  return {
    adapters: [(text) => process.stdout.write(text)],
    onSpecComplete(_browser, { suite, description, success, skipped, log }) {
      if (skipped) return;
      if (success) {
        passed++;
        return;
      }
      failed++;
      console.log(`FAILED ${[...suite, description].join(' ')}`);
      for (const text of log) console.log(formatError(text, '    '));
    },
    onBrowserLog(_browser, log, type) {
      console.log(`${type}: ${log}`);
    },
    onBrowserError(_browser, error) {
      failed++;
      console.log(`FAILED before or between the specs: ${error?.message ?? error}`);
    },
    onRunComplete() {
      console.log(`Executed ${passed + failed} specs, ${failed} failed`);
    },
  };
}
lines.$inject = ['formatError'];

module.exports = { 'reporter:lines': ['factory', lines] };
