import { Command, CommanderError } from 'commander'
import { version } from '../../package.json'
import { ProblemError } from '../../core/problems'
import { StartError } from '../database/open'
import { contentCommands } from './content'
import { explainCommands } from './explain'
import { parcelCommands } from './parcels'
import { peopleCommands } from './people'
import { salvageCommand } from './salvage'
import { CallError } from './site'

/** The command `outer-frame`: the same core over the same database, without a server. */

const AFTER = `
Exit codes: 0 done; 1 it could not be done, and the reason was said; 2 the call was not understood.
`

const DATA = [
  '--data <folder>',
  'the data folder (OUTER_FRAME_DATA, else .data/site, else .data/demo, else .data)',
] as const

function makeProgram(): Command {
  const program = new Command('outer-frame')
    .description('Looks at a site and its design, and takes designs from one site to another.')
    .option(...DATA)
    .version(version, '--version', 'the version of this program')
    .enablePositionalOptions()
    // Every command reads its own options only; --data may also be typed before the name of the command.
    .hook('preAction', (own, command) => {
      if (command.getOptionValue('data') === undefined) command.setOptionValue('data', own.getOptionValue('data'))
    })
    .addHelpText('after', AFTER)
    .exitOverride()
  explainCommands(program)
  parcelCommands(program)
  contentCommands(program)
  peopleCommands(program)
  salvageCommand(program)
  for (const command of program.commands) {
    command
      .exitOverride()
      .allowExcessArguments(false)
      .addHelpText('after', AFTER)
      .option(...DATA)
  }
  return program
}

/** Runs a call; gives its exit code. */
async function run(argv: readonly string[]): Promise<number> {
  try {
    await makeProgram().parseAsync([...argv])
    return 0
  } catch (error) {
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : 2
    const known = [CallError, ProblemError, StartError].some((kind) => error instanceof kind)
    process.stderr.write(`${known ? (error as Error).message : ((error as Error).stack ?? String(error))}\n`)
    return error instanceof CallError ? 2 : 1
  }
}

process.exitCode = await run(process.argv)
