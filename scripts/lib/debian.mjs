import { existsSync } from 'node:fs';
import { runQuiet } from './processes.mjs';
import { Refusal, say } from './say.mjs';

/** Installs a Debian package unless `present` finds it; without the right to do so, says the one command to run. */
export function ensureDebianPackage(name, present) {
  if (present()) return;
  const install = ['install', '-y', '--no-install-recommends', name];
  if (!existsSync('/usr/bin/apt-get')) {
    throw new Refusal(`${name} is missing and this is not a Debian system: please install ${name} and start again.`);
  }
  const elevated = process.getuid() === 0 ? [] : ['sudo', '-n'];
  if (elevated.length > 0 && runQuiet('sudo', ['-n', 'true']).status !== 0) {
    throw new Refusal(`${name} is missing. Please run: sudo apt-get ${install.join(' ')}`);
  }
  say(`Installing ${name} from Debian's packages …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (args) => {
    const [command, ...rest] = [...elevated, 'apt-get', ...args];
    return runQuiet(command, rest, { env });
  };
  let result = apt(install);
  if (result.status !== 0) {
    apt(['update', '-qq']);
    result = apt(install);
  }
  if (result.status !== 0 || !present()) {
    throw new Refusal(
      `${name} could not be installed. Please run: sudo apt-get ${install.join(' ')}\n${lastLines(result.output)}`,
    );
  }
}

function lastLines(output) {
  return output.trim().split('\n').slice(-3).join('\n');
}

/** Debian's Chromium without a window is a package of its own; where it is there, pages come a sixth sooner. */
const SHELL = '/usr/bin/chromium-headless-shell';
export const CHROMIUM = existsSync(SHELL) ? SHELL : '/usr/bin/chromium';

export function ensureChromium() {
  ensureDebianPackage('chromium', () => existsSync(CHROMIUM));
}
