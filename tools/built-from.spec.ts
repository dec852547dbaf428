import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { fingerprintOf, isBuiltFrom } from './built-from';

describe('what something was built from', () => {
  let folder: string;
  const write = (file: string, text: string): void => {
    mkdirSync(path.dirname(path.join(folder, file)), { recursive: true });
    writeFileSync(path.join(folder, file), text);
  };
  beforeEach(() => {
    folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-built-'));
    write('a.ts', 'one');
    write('deep/b.ts', 'two');
  });
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  it('another text, another name or a file more is another source; a spec, a build and a package are none', () => {
    const first = fingerprintOf([folder]);
    expect(fingerprintOf([folder])).toBe(first);
    for (const aside of ['a.spec.ts', 'dist/a.js', 'node_modules/x/y.js']) write(aside, 'aside');
    expect(fingerprintOf([folder])).toBe(first);
    write('deep/b.ts', 'three');
    const second = fingerprintOf([folder]);
    expect(second).not.toBe(first);
    write('deep/c.ts', '');
    expect(fingerprintOf([folder])).not.toBe(second);
  });

  it('nothing stands where no stamp is, or one of other sources', () => {
    const stamp = path.join(folder, '.built-from');
    expect(isBuiltFrom(stamp, 'x')).toBeFalse();
    writeFileSync(stamp, 'x');
    expect(isBuiltFrom(stamp, 'x')).toBeTrue();
    expect(isBuiltFrom(stamp, 'y')).toBeFalse();
  });
});
