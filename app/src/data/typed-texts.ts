import { keysOf, pageStorage } from '../browser/page-storage';
import type { Device } from './device';

/** Where the texts are kept. */
type Keeper = Pick<Device, 'setTyped'>;

/** Where the newest text of a field stands until the device has it: written at once, and there after a reload. */
const ON_ITS_WAY = 'ogee.typing.';

/** Where it is in the page's store: a job's id has no blank. */
const slot = (jobId: string, path: string): string => `${ON_ITS_WAY}${jobId} ${path}`;

/**
 * What stands typed and not taken in the fields. The device writes one text of a field at a time, the newest next; until
 * it has written, the text stands in the page's own store, so that a window closed in between loses no key.
 */
export class TypedTexts {
  /** Texts that are being written, the newest of each. */
  private readonly texts = new Map<string, string | null>();

  constructor(
    private readonly device: Keeper,
    private readonly storage: Storage | null = pageStorage(),
  ) {}

  /** `after` is what the text was made into: it goes from its field only when that is kept. */
  async keep(
    jobId: string,
    path: string,
    text: string | null,
    after: () => Promise<unknown>,
  ): Promise<void> {
    const key = slot(jobId, path);
    const writing = this.texts.has(key);
    this.texts.set(key, text);
    if (text !== null) this.note(key, text);
    if (writing) return;
    for (;;) {
      if (this.newest(key) === null) await after();
      const next = this.newest(key);
      const written = await this.device.setTyped(jobId, path, next).then(
        () => true,
        () => false,
      );
      if (this.newest(key) !== next) continue;
      this.texts.delete(key);
      // What the device would not keep stays here.
      if (written || next === null) this.forget(key);
      return;
    }
  }

  /** What stands here because the device has not written it, by path. */
  onItsWay(jobId: string): ReadonlyMap<string, string> {
    const texts = new Map<string, string>();
    for (const key of this.storage === null ? [] : keysOf(this.storage)) {
      const text = key.startsWith(slot(jobId, '')) ? this.storage?.getItem(key) : null;
      if (text != null) texts.set(key.slice(slot(jobId, '').length), text);
    }
    return texts;
  }

  private forget(key: string): void {
    try {
      this.storage?.removeItem(key);
    } catch {
      // Closed by the person meanwhile: it keeps nothing any more.
    }
  }

  private newest(key: string): string | null {
    return this.texts.get(key) ?? null;
  }

  private note(key: string, text: string): void {
    try {
      this.storage?.setItem(key, text);
    } catch {
      // The page's store is full: the device has it a moment later.
    }
  }
}

/** Takes what a window left on its way when it was closed over to the device. */
export const takeOverTexts = async (device: Keeper, storage: Storage): Promise<void> => {
  for (const key of keysOf(storage)) {
    const text = key.startsWith(ON_ITS_WAY) ? storage.getItem(key) : null;
    if (text === null) continue;
    const [jobId = '', ...path] = key.slice(ON_ITS_WAY.length).split(' ');
    await device.setTyped(jobId, path.join(' '), text);
    storage.removeItem(key);
  }
};
