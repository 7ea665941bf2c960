import type { Command } from './command.ts';

/** The first word of a usage is the command's name. */
const nameOf = ({ usage }: Command): string => usage.split(' ')[0]!;

/** A script for bash: `source <(npm run -s escalier -- completion)` completes commands, options and file names. */
export function completion(commands: readonly Command[]): string {
  const options = commands.map(
    (command) =>
      `    ${nameOf(command)}) options="${[...command.options, 'json', 'help'].map((each) => `--${each}`).join(' ')}" ;;`,
  );
  return [
    '_escalier() {',
    '  local word="${COMP_WORDS[COMP_CWORD]}" options=""',
    '  if [ "$COMP_CWORD" -eq 1 ]; then',
    `    COMPREPLY=($(compgen -W "${commands.map(nameOf).join(' ')} help completion" -- "$word"))`,
    '    return',
    '  fi',
    '  case "${COMP_WORDS[1]}" in',
    ...options,
    '  esac',
    '  COMPREPLY=($(compgen -W "$options" -- "$word") $(compgen -f -- "$word"))',
    '}',
    "alias escalier='npm run -s escalier --'",
    'complete -F _escalier escalier',
  ].join('\n');
}
