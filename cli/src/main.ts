import { Command } from 'commander';
import { exitWith } from './output.js';
import type { SolveOptions } from '@hashira/core/validation';
import { countOf, stationsOf } from './numbers.js';

// A command's code is loaded when it runs, so that none waits for the others
const program = new Command('hashira')
  .description('Builds and analyses frames from the command line.')
  .showHelpAfterError();

program
  .command('solve')
  .description('analyse a frame model and print its results as JSON')
  .argument('<model.json>', 'frame model file')
  .option('--second-order', 'equilibrium on the displaced structure (P-Δ and P-δ)')
  .option('--buckling <n>', 'lowest critical factors of every load case and combination', countOf)
  .option('--modes <n>', 'lowest natural modes; needs no support', countOf)
  .option('--stations <n>', 'equally spaced places along each member, at least 2', stationsOf, 11)
  .option('--out <file>', 'write the results to a file instead of standard output')
  .action((file: string, options: SolveOptions & { out?: string }) =>
    exitWith(async () => (await import('./solve.js')).solve(file, options)),
  );

program
  .command('build')
  .description('build the frame model of one alternative of a design and print it as JSON')
  .argument('<design.json>', 'design file')
  .option('--alternative <name>', 'title or id of the alternative; the reference when left out')
  .option('--out <file>', 'write the model to a file instead of standard output')
  .action((file: string, options: { alternative?: string; out?: string }) =>
    exitWith(async () => (await import('./build.js')).build(file, options)),
  );

await program.parseAsync();
