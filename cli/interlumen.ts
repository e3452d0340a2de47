import { runCommand } from './main'

const line = (text: string): string => (text === '' || text.endsWith('\n') ? text : `${text}\n`)

const { out, error, exit } = await runCommand(process.argv.slice(2))
process.stdout.write(line(out))
process.stderr.write(line(error))
process.exitCode = exit
