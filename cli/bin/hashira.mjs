#!/usr/bin/env node
import 'tsx/esm';
await import('../src/main.ts');
