import { readSettings } from './settings';

describe('settings', () => {
  it('have defaults on loopback', () => {
    expect(readSettings({})).toEqual(
      jasmine.objectContaining({ host: '127.0.0.1', port: 4600, databaseUrl: null, demo: true }),
    );
    // The made-up shop and one's own lie apart.
    expect(readSettings({ ODONTIS_SHOP: 'own' }).dataFolder).toBe(`${readSettings({}).dataFolder}-own`);
  });

  it('are moved by the environment', () => {
    const url = 'postgres://a:b@db.example:5432/saws';
    const settings = readSettings({
      PORT: '8080',
      HOST: '0.0.0.0',
      ODONTIS_DATA: '/srv/odontis',
      DATABASE_URL: url,
      ODONTIS_SHOP: 'own',
    });
    expect(settings).toEqual({
      port: 8080,
      host: '0.0.0.0',
      dataFolder: '/srv/odontis',
      databaseUrl: url,
      demo: false,
    });
  });

  it('that cannot be are one clear line', () => {
    const wrong: [NodeJS.ProcessEnv, string][] = [
      [{ PORT: 'x' }, 'PORT must be a whole number'],
      [{ PORT: '0' }, 'PORT must be a whole number'],
      [{ PORT: '65536' }, 'PORT must be a whole number'],
      [{ PORT: '46.5' }, 'PORT must be a whole number'],
      [{ HOST: 'a b' }, 'HOST must be'],
      [{ DATABASE_URL: 'mysql://x' }, 'DATABASE_URL must look like'],
      [{ DATABASE_URL: 'nonsense' }, 'DATABASE_URL must look like'],
      [{ ODONTIS_SHOP: 'theirs' }, 'ODONTIS_SHOP must be demo or own'],
      [{ ODONTIS_DATA: 'relative/folder' }, 'ODONTIS_DATA must be a full path'],
    ];
    for (const [env, says] of wrong) {
      expect(() => readSettings(env))
        .withContext(JSON.stringify(env))
        .toThrowError(new RegExp(says));
    }
  });
});
