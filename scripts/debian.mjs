import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';

const PG_HOME = '/usr/lib/postgresql';

/** Programs folder of the newest PostgreSQL that Debian installed here, or null. */
export function postgresBin() {
  if (!existsSync(PG_HOME)) return null;
  const [newest] = readdirSync(PG_HOME)
    .filter((version) => existsSync(`${PG_HOME}/${version}/bin/initdb`))
    .sort((a, b) => Number(b) - Number(a));
  return newest ? `${PG_HOME}/${newest}/bin` : null;
}

const onPath = (program) => spawnSync('sh', ['-c', `command -v ${program}`]).status === 0;

/** What each package must bring before it counts as installed. */
const BRINGS = {
  postgresql: () => postgresBin() !== null,
  'chromium-headless-shell': () => existsSync('/usr/bin/chromium-headless-shell'),
  'poppler-utils': () => onPath('pdftoppm') && onPath('pdffonts'),
  qpdf: () => onPath('qpdf'),
  'zbar-tools': () => onPath('zbarimg'),
  'python3-ezdxf': () => existsSync('/usr/lib/python3/dist-packages/ezdxf'),
  'librsvg2-bin': () => onPath('rsvg-convert'),
  ghostscript: () => onPath('gs'),
};

/** Installs missing Debian packages as root; as anyone else says in one line what to type. */
export function ensureDebian(packages) {
  const missing = packages.filter((name) => !BRINGS[name]());
  if (missing.length === 0) return;
  if (process.getuid?.() !== 0) {
    console.error(
      `Please type this once, then try again:  sudo apt-get update && sudo apt-get install -y --no-install-recommends ${missing.join(' ')}`,
    );
    process.exit(1);
  }
  console.log(`Installing ${missing.join(', ')} …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const run = (...args) => spawnSync('apt-get', args, { env, stdio: ['ignore', 'ignore', 'inherit'] }).status === 0;
  run('update', '-qq');
  // Debian would start a cluster of its own on installing; ours is separate and started by us alone.
  if (!run('install', '-y', '-qq', '--no-install-recommends', ...missing) || missing.some((name) => !BRINGS[name]())) {
    console.error(
      `${missing.join(', ')} could not be installed; check the network and try: apt-get install ${missing.join(' ')}`,
    );
    process.exit(1);
  }
}
