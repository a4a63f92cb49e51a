import { Command, CommanderError, Option } from 'commander';
import { problem } from '@hashira/core/validation';
import { exitWith, isOutputGone, refuse } from './output.js';
import type { CheckOptions, SolveOptions } from '@hashira/core/validation';
import type { CommandOptions } from './progress.js';
import { analysesOf, countOf, lengthOf, positiveOf, several, stationsOf } from './numbers.js';

// A command's code is loaded when it runs, so that none waits for the others
const program = new Command('hashira')
  .description('Builds and analyses frames from the command line.')
  .configureOutput({ writeErr: () => undefined })
  .exitOverride();

// An output that is closed or full ends the command quietly
for (const stream of [process.stdout, process.stderr])
  stream.on('error', (error) => {
    if (!isOutputGone(error)) throw error;
    process.exit(2);
  });

program
  .command('solve')
  .description('analyse a frame model and print its results as JSON')
  .argument('<model.json>', 'frame model file')
  .option('--second-order', 'equilibrium on the displaced structure (P-Δ and P-δ)')
  .option('--buckling <n>', 'lowest critical factors of every load case and combination', countOf)
  .option('--modes <n>', 'lowest natural modes; needs no support', countOf)
  .option('--stations <n>', 'equally spaced places along each member, at least 2', stationsOf, 11)
  .option('--progress', 'tell on standard error how far long work is, also where no terminal reads')
  .option('--out <file>', 'write the results to a file instead of standard output')
  .action((file: string, options: Omit<SolveOptions, 'progress'> & CommandOptions) =>
    exitWith(async () => (await import('./commands/solve.js')).solve(file, options)),
  );

program
  .command('build')
  .description('build the frame model of one alternative of a design and print it as JSON')
  .argument('<design.json>', 'design file')
  .option('--alternative <name>', 'title or id of the alternative; the reference when left out')
  .option('--out <file>', 'write the model to a file instead of standard output')
  .action((file: string, options: { alternative?: string; out?: string }) =>
    exitWith(async () => (await import('./commands/build.js')).build(file, options)),
  );

program
  .command('check')
  .description('analyse a frame model, check its members by a design code and print the checks as JSON')
  .argument('<model.json>', 'frame model file')
  .option('--code <name>', 'EN1993 or AISC360; wins over the file')
  .option('--second-order', 'equilibrium on the displaced structure (P-Δ and P-δ)')
  .option('--all', 'an item for each combination, not only the worst')
  .option('--progress', 'tell on standard error how far long work is, also where no terminal reads')
  .option('--out <file>', 'write the checks to a file instead of standard output')
  .action(
    (file: string, options: Omit<CheckOptions, 'code' | 'progress'> & CommandOptions & { code?: string }) =>
      exitWith(async () => (await import('./commands/check.js')).check(file, options)),
  );

program
  .command('assess')
  .description('work out every alternative of a design and print verdicts and figures as JSON')
  .argument('<design>', 'design file (hashira-design)')
  .option('--alternative <title>', 'only the alternative of this title or id')
  .option('--progress', 'tell on standard error how far long work is, also where no terminal reads')
  .option('--out <file>', 'write to a file instead of standard output')
  .action((file: string, options: CommandOptions & { alternative?: string }) =>
    exitWith(async () => (await import('./commands/assess.js')).assess(file, options)),
  );

program
  .command('member')
  .description(
    'print all of one member of an alternative as JSON: curves, restraints, conditions, sections beside its own',
  )
  .argument('<design.json>', 'design file')
  .requiredOption('--member <name>', 'title or id of the member, or id of a piece of it')
  .option('--alternative <name>', 'title or id of the alternative; the reference when left out')
  .option('--combination <id>', 'one combination; all when left out')
  .option('--stations <n>', 'equally spaced places along the member, at least 2', stationsOf, 21)
  .option('--progress', 'tell on standard error how far long work is, also where no terminal reads')
  .option('--out <file>', 'write to a file instead of standard output')
  .action((file: string, options: Parameters<typeof import('./commands/member.js').member>[1]) =>
    exitWith(async () => (await import('./commands/member.js')).member(file, options)),
  );

program
  .command('suggest')
  .description('find the lightest sections with which an alternative passes, and print them as JSON')
  .argument('<design.json>', 'design file')
  .option('--alternative <name>', 'title or id of the alternative; the reference when left out')
  .option(
    '--group <id>',
    'a section parameter or a rule with a section; several times; all when left out',
    several,
  )
  .option(
    '--family <name>',
    'series to choose from, such as HEA; several times; the present ones when left out',
    several,
  )
  .option('--target <n>', 'utilisation that no member may exceed', positiveOf, 1)
  .option('--max-depth <m>', 'greatest depth of a section, m', positiveOf)
  .option('--most <n>', 'analyses at the most', analysesOf, 2000)
  .option('--progress', 'tell on standard error how far long work is, also where no terminal reads')
  .option('--out <file>', 'write to a file instead of standard output')
  .action((file: string, options: Parameters<typeof import('./commands/suggest.js').suggest>[1]) =>
    exitWith(async () => (await import('./commands/suggest.js')).suggest(file, options)),
  );

program
  .command('failure')
  .description('raise some loads of an alternative until it fails, and print what happens on the way as JSON')
  .argument('<design.json>', 'design file')
  .requiredOption('--raise <loads>', 'cases with factors, such as "W=1, S=0.5", or one combination')
  .option('--constant <loads>', 'cases with factors that stay; the permanent ones when left out')
  .option('--alternative <name>', 'title or id of the alternative; the reference when left out')
  .addOption(
    new Option('--path <kind>', 'elastic, or with plastic hinges in a plane frame').choices([
      'elastic',
      'plastic',
    ]),
  )
  .addOption(
    new Option('--order <n>', 'order of the analysis; the design’s when left out').choices(['1', '2']),
  )
  .option('--most <n>', 'greatest factor', positiveOf, 20)
  .option('--follow <node.component>', 'displacement that the curve is of, such as "frame.point.2.ux"')
  .option('--progress', 'tell on standard error how far long work is, also where no terminal reads')
  .option('--out <file>', 'write to a file instead of standard output')
  .action((file: string, options: Parameters<typeof import('./commands/failure.js').failure>[1]) =>
    exitWith(async () => (await import('./commands/failure.js')).failure(file, options)),
  );

program
  .command('compare')
  .description('print alternatives of a design beside its reference as JSON: differences, foundations, modes')
  .argument('<design.json>', 'design file')
  .option('--reference <name>', 'title or id of the alternative to compare with; the design’s when left out')
  .option('--alternative <name>', 'title or id; several times; all when left out', several)
  .option('--modes <n>', 'lowest elastic modes of each, paired with the reference’s', countOf)
  .option('--csv', 'as CSV in SI units: a line a figure, a column an alternative')
  .option('--progress', 'tell on standard error how far long work is, also where no terminal reads')
  .option('--out <file>', 'write to a file instead of standard output')
  .action((file: string, options: Parameters<typeof import('./commands/compare.js').compare>[1]) =>
    exitWith(async () => (await import('./commands/compare.js')).compare(file, options)),
  );

program
  .command('explain')
  .description(
    'print where a figure of an alternative comes from as JSON: shares of members in a displacement, of load cases in a force',
  )
  .argument('<design.json>', 'design file')
  .requiredOption('--figure <id>', 'id or title of the figure')
  .option('--alternative <name>', 'title or id of the alternative; the reference when left out')
  .option('--combination <id>', 'a combination or load case; the worst of those that judge it when left out')
  .option('--progress', 'tell on standard error how far long work is, also where no terminal reads')
  .option('--out <file>', 'write to a file instead of standard output')
  .action((file: string, options: Parameters<typeof import('./commands/explain.js').explain>[1]) =>
    exitWith(async () => (await import('./commands/explain.js')).explain(file, options)),
  );

program
  .command('changes')
  .description('print what changed between two designs, two frame models, or two alternatives of a design')
  .argument('<files...>', 'two files, or one design')
  .option('--alternative <name>', 'title or id; twice for two alternatives of one design', several)
  .option('--csv', 'as CSV: kind, what, place, before, after')
  .option('--out <file>', 'write to a file instead of standard output')
  .action((files: string[], options: Parameters<typeof import('./commands/changes.js').changes>[1]) =>
    exitWith(async () => (await import('./commands/changes.js')).changes(files, options)),
  );

program
  .command('cutlist')
  .description(
    'list the pieces of steel of one alternative of a design: mark, section, length, end angles, count, mass',
  )
  .argument('<design.json>', 'design file')
  .option('--alternative <name>', 'title or id of the alternative; the reference when left out')
  .option('--csv', 'as CSV in mm, degrees and kg instead of JSON in SI units')
  .option('--out <file>', 'write to a file instead of standard output')
  .action((file: string, options: { alternative?: string; csv?: boolean; out?: string }) =>
    exitWith(async () => (await import('./commands/cutlist.js')).cutlist(file, options)),
  );

program
  .command('sections')
  .description('list the series of the library, or the profiles that answer a question')
  .argument('[question...]', 'such as: lightest HEA with Wpl,y above 1200 cm3 and depth up to 300 mm')
  .option('--limit <n>', 'rows to show', countOf, 20)
  .action((words: string[], options: { limit: number }) =>
    exitWith(async () => (await import('./commands/sections.js')).sections(words, options)),
  );

program
  .command('section')
  .description('print every property of a profile')
  .argument('<name>', 'in any usual spelling, such as "IPE 300" or W14X90')
  .option('--depth <mm>', 'the same I section with another depth', lengthOf)
  .action((name: string, options: { depth?: number }) =>
    exitWith(async () => (await import('./commands/sections.js')).section(name, options)),
  );

program
  .command('backup')
  .description('copy the database of designs, also while the server runs')
  .argument('<file.sqlite>', 'database file of the server')
  .requiredOption('--out <file>', 'file of the copy; it must not be there yet')
  .action((file: string, options: { out: string }) =>
    exitWith(async () => (await import('./commands/backup.js')).backup(file, options)),
  );

program
  .command('rescue')
  .description('save every design that a damaged database still gives into files')
  .argument('<file.sqlite>', 'database file; it is not touched')
  .requiredOption('--out <folder>', 'folder for the designs')
  .action((file: string, options: { out: string }) =>
    exitWith(async () => (await import('./rescue/rescue.js')).rescue(file, options)),
  );

for (const command of program.commands) command.configureOutput({ writeErr: () => undefined }).exitOverride();

try {
  await program.parseAsync();
} catch (error) {
  if (!(error instanceof CommanderError)) throw error;
  // Help and version are no errors
  if (error.exitCode !== 0)
    refuse([
      problem(
        'wrong-arguments',
        `${error.message.replace(/^error: /, '').replace(/^./, (c) => c.toUpperCase())}${/[.!?]$/.test(error.message) ? '' : '.'} Run it with --help to see what it takes.`,
        {},
      ),
    ]);
}
