/** A package of the lock file, as far as an audit without a network can look at it. */
export interface LockedPackage {
  /** Its name and version. */
  readonly id: string;
  readonly licence: string;
  /** It runs in the shop; the others build and test it. */
  readonly ships: boolean;
  /** Its bytes are known by their sum. */
  readonly hasSum: boolean;
}

/** What was looked at, kept beside the project. */
export interface LookedAt {
  /** The day. */
  readonly on: string;
  /** Licences under which a shop may be given the program. */
  readonly licences: readonly string[];
  /** Packages whose licence stands elsewhere than in their description, and what it is. */
  readonly licenceOf: Readonly<Record<string, string>>;
  /** Advisories that do not touch this program, each with why. */
  readonly advisories: readonly { readonly id: string; readonly why: string }[];
  /** Every package that ships, by name and version. */
  readonly shipped: readonly string[];
}

interface Lock {
  readonly packages: Readonly<
    Record<
      string,
      {
        readonly version?: string;
        readonly license?: string;
        readonly dev?: boolean;
        readonly link?: boolean;
        readonly integrity?: string;
      }
    >
  >;
}

/** Every package that a lock file names, once, without the house's own. */
export function packagesOf(lock: Lock): LockedPackage[] {
  const all = new Map<string, LockedPackage>();
  for (const [place, one] of Object.entries(lock.packages)) {
    const name = place.split('node_modules/').at(-1) ?? '';
    if (!place.includes('node_modules/') || one.link) continue;
    const id = `${name}@${one.version ?? ''}`;
    const before = all.get(id);
    all.set(id, {
      id,
      licence: one.license ?? 'none said',
      ships: before?.ships || !one.dev,
      hasSum: one.integrity !== undefined && before?.hasSum !== false,
    });
  }
  return [...all.values()].sort((a, b) => a.id.localeCompare(b.id, 'en'));
}

/** What an audit finds, in sentences: nothing where every package was looked at as it is. */
export function auditFaults(packages: readonly LockedPackage[], looked: LookedAt, npmrc: string): string[] {
  const shipped = packages.filter((one) => one.ships);
  const known = new Set(looked.shipped);
  const locked = new Set(shipped.map((one) => one.id));
  const allowed = new Set(looked.licences);
  const licence = (one: LockedPackage): string => looked.licenceOf[one.id] ?? one.licence;
  return [
    ...(/^ignore-scripts=true$/m.test(npmrc) ? [] : ['Packages could run something while they are installed.']),
    ...packages.filter((one) => !one.hasSum).map((one) => `${one.id} has no sum: another could come in its place.`),
    ...packages.filter((one) => !allowed.has(licence(one))).map((one) => `${one.id}: nobody allowed ${licence(one)}.`),
    ...shipped.filter((one) => !known.has(one.id)).map((one) => `${one.id} ships and was not looked at.`),
    ...looked.shipped.filter((id) => !locked.has(id)).map((id) => `${id} was looked at and ships no more.`),
  ];
}
