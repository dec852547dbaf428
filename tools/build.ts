import { endWith } from './say';
import { buildServer } from './server-build';
import { buildWeb } from './web-build';

try {
  await buildServer();
  buildWeb();
} catch (error) {
  endWith(error);
}
