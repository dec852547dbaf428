// A shop of one's own: nothing made up in it, and a data folder beside the demo's.
process.env['ODONTIS_SHOP'] ??= 'own';
await import('./start');

export {};
