// Servers are started, killed and filled: each spec has its time
jasmine.DEFAULT_TIMEOUT_INTERVAL = 240_000;
