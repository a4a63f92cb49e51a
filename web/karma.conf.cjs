// Unit tests of the web application in headless Chromium from Debian's packages.
process.env.CHROME_BIN ??= '/usr/bin/chromium';

module.exports = (config) => {
  config.set({
    frameworks: ['jasmine'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher'), require('./karma-reporter.cjs')],
    reporters: ['lines'],
    // A shared machine stands still now and then: how long a spec takes is measured elsewhere
    client: { jasmine: { random: true, timeoutInterval: 60_000 }, clearContext: false },
    browserNoActivityTimeout: 180_000,
    browserDisconnectTimeout: 60_000,
    pingTimeout: 60_000,
    customLaunchers: {
      ChromiumCI: {
        base: 'ChromeHeadless',
        flags: [
          '--no-sandbox',
          '--disable-dev-shm-usage',
          '--disable-background-networking',
          '--disable-component-update',
          '--disable-sync',
          '--disable-quic',
          '--no-first-run',
        ],
      },
    },
    browsers: ['ChromiumCI'],
    restartOnFileChange: false,
  });
};
