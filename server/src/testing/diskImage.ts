import { spawnSync } from 'node:child_process';
import { mkdirSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import path from 'node:path';

/** The image grows as it is written; this is the most. */
const IMAGE_BYTES = 600 * 1024 * 1024;
/** The copy is of one moment when two in a row are the same. */
const COPIES_MAX = 40;

function run(command: string, ...args: string[]): number {
  return spawnSync(command, args, { stdio: 'ignore' }).status ?? 1;
}
function must(command: string, ...args: string[]): void {
  const { status, stderr } = spawnSync(command, args, { encoding: 'utf8' });
  if (status !== 0) throw new Error(`${command} ${args.join(' ')}: ${stderr}`);
}

/** Why power cannot be cut here, or null where it can. */
export function whyNoPowerCuts(): string | null {
  if (process.platform !== 'linux' || process.getuid?.() !== 0) return 'needs root on Linux';
  if (run('mkfs.ext4', '-V') !== 0) return 'needs mkfs.ext4';
  return run('losetup', '-f') === 0 ? null : 'needs a loop device';
}

/**
 * A file system of its own in a file. What was not flushed is in the system's memory and not in the file: a copy of the
 * file is what a disk holds after the power was cut at that moment.
 */
export class DiskImage {
  private constructor(
    private readonly file: string,
    readonly folder: string,
  ) {}

  private static at(place: string, name: string): DiskImage {
    const folder = path.join(place, `${name}-disk`);
    mkdirSync(folder, { recursive: true });
    return new DiskImage(path.join(place, `${name}.img`), folder);
  }

  /** A new, empty one, mounted. */
  static create(place: string, name: string): DiskImage {
    const image = DiskImage.at(place, name);
    writeFileSync(image.file, '');
    truncateSync(image.file, IMAGE_BYTES);
    must('mkfs.ext4', '-q', '-F', image.file);
    image.mount();
    return image;
  }

  mount(): void {
    must('mount', '-o', 'loop', this.file, this.folder);
  }

  /** The disk as it is this very moment, not mounted. Whoever writes to it is stopped meanwhile. */
  cutPower(place: string, name: string): DiskImage {
    const cut = DiskImage.at(place, name);
    const copy = (to: string): void => must('cp', '--sparse=always', this.file, to);
    copy(cut.file);
    for (let n = 0; n < COPIES_MAX; n++) {
      const again = `${cut.file}.again`;
      copy(again);
      const isSame = run('cmp', '-s', cut.file, again) === 0;
      must('mv', again, cut.file);
      if (isSame) return cut;
    }
    throw new Error('the disk did not come to rest');
  }

  remove(): void {
    run('umount', '-l', this.folder);
    rmSync(this.file, { force: true });
    rmSync(this.folder, { recursive: true, force: true });
  }
}
