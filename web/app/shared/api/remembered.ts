/** Small things a screen remembers over a reload; a browser without storage simply forgets. */
export function recall(key: string): string | null {
  try {
    return localStorage.getItem(`odontis.${key}`);
  } catch {
    return null;
  }
}

export function remember(key: string, value: string | null): void {
  try {
    if (value === null) localStorage.removeItem(`odontis.${key}`);
    else localStorage.setItem(`odontis.${key}`, value);
  } catch {
    // Nothing depends on it.
  }
}
