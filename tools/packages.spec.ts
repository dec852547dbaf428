import { readFileSync } from 'node:fs';
import type { LookedAt } from './packages';
import { auditFaults, packagesOf } from './packages';

describe('the audit of packages', () => {
  const whole = { version: '1.0.0', license: 'MIT', integrity: 'sha512-x' };
  const lock = {
    packages: {
      '': { version: '0' },
      'node_modules/house': { link: true },
      'node_modules/a': whole,
      'node_modules/b/node_modules/a': { ...whole, version: '2.0.0' },
      'node_modules/tool': { ...whole, dev: true },
    },
  };
  const looked: LookedAt = {
    ...{ on: '2031-05-04', licences: ['MIT'], licenceOf: {}, advisories: [] },
    shipped: ['a@1.0.0', 'a@2.0.0'],
  };
  const quiet = 'fund=false\nignore-scripts=true\n';
  const faults = (change: Partial<LookedAt>, packages: object = {}, npmrc = quiet): string[] =>
    auditFaults(packagesOf({ packages: { ...lock.packages, ...packages } }), { ...looked, ...change }, npmrc);

  it('is silent where every package that ships was looked at as it is', () => {
    expect(packagesOf(lock).map((one) => [one.id, one.ships])).toEqual([
      ['a@1.0.0', true],
      ['a@2.0.0', true],
      ['tool@1.0.0', false],
    ]);
    expect(faults({})).toEqual([]);
  });

  it('tells another version, one that went, a licence nobody allowed, a missing sum and scripts', () => {
    expect(faults({ shipped: ['a@1.0.0'] })).toEqual(['a@2.0.0 ships and was not looked at.']);
    expect(faults({ shipped: [...looked.shipped, 'c@3.0.0'] })).toEqual(['c@3.0.0 was looked at and ships no more.']);
    expect(faults({}, { 'node_modules/tool': { ...whole, dev: true, license: 'SSPL-1.0' } })).toEqual([
      'tool@1.0.0: nobody allowed SSPL-1.0.',
    ]);
    expect(faults({ licenceOf: { 'a@1.0.0': 'MIT' } }, { 'node_modules/a': { ...whole, license: undefined } })).toEqual(
      [],
    );
    expect(faults({}, { 'node_modules/a': { version: '1.0.0', license: 'MIT' } })).toEqual([
      'a@1.0.0 has no sum: another could come in its place.',
    ]);
    expect(faults({}, {}, 'fund=false\n')).toEqual(['Packages could run something while they are installed.']);
  });

  it('has looked at every package there is', () => {
    const real = JSON.parse(readFileSync('package-lock.json', 'utf8')) as typeof lock;
    const list = JSON.parse(readFileSync('docs/packages.json', 'utf8')) as LookedAt;
    expect(auditFaults(packagesOf(real), list, readFileSync('.npmrc', 'utf8'))).toEqual([]);
    expect(list.shipped.length).toBeGreaterThan(100);
  });
});
