// Compiles the database driver for this machine, once.
import { compileDriver } from './set-up.mjs';

compileDriver();
