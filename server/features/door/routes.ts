import type { Request, Response } from 'express';
import { Router } from 'express';
import { changeOver, demoSignIn, firstOwner, signIn } from '@odontis/contract/door';
import { recordId } from '@odontis/contract/fields';
import type { Database } from '../../database/connect';
import { parse } from '../../http/parse';
import { Problem } from '../../http/problem';
import { notSignedIn, whoOf } from '../../http/who';
import { giveToken, takeToken, tokenOf } from './cookies';
import type { Screen } from './screens';
import { endScreen, screenOf, turnToken } from './screens';
import type { Standing } from './service';
import {
  changeOverAt,
  endDevice,
  listDevices,
  lockScreen,
  makeFirstOwner,
  readDoor,
  signInAt,
  signIntoDemo,
} from './service';
import { Tries } from './tries';

/** What the door knows of the shop's computer. */
interface DoorParts {
  /** Whether an address is the shop's own computer. */
  readonly isOwn: (address: string | undefined) => boolean;
  readonly trustPage: boolean;
}

export function doorRoutes(db: Database, { isOwn, trustPage }: DoorParts): Router {
  const router = Router();
  const tries = new Tries(db);
  const here = (request: Request): boolean => isOwn(request.socket.remoteAddress);
  const standing = (request: Request): Standing => ({ onOwnComputer: here(request), trustPage });
  const addressOf = (request: Request): string => request.socket.remoteAddress ?? '';
  const screenAt = async (request: Request): Promise<Screen | null> => {
    const token = tokenOf(request);
    return token === null ? null : screenOf(db, token);
  };
  const knownScreen = async (request: Request): Promise<Screen> => {
    const screen = await screenAt(request);
    if (!screen) throw notSignedIn();
    return screen;
  };
  /** The door as it stands after a token was given. */
  const opened = async (request: Request, response: Response, token: string): Promise<void> => {
    giveToken(request, response, token);
    response.json(await readDoor(db, await screenOf(db, token), standing(request)));
  };
  router.get('/door', async (request, response) => {
    const screen = await screenAt(request);
    if (screen?.old) giveToken(request, response, await turnToken(db, screen.deviceId));
    response.json(await readDoor(db, screen, standing(request)));
  });
  router.post('/door/first', async (request, response) => {
    if (!here(request)) throw new Problem('not-let-in', 'A shop’s first owner is made on the shop’s own computer.');
    await opened(request, response, await makeFirstOwner(db, parse(firstOwner, request.body)));
  });
  router.post('/door/sign-in', async (request, response) => {
    const from = { address: addressOf(request), deviceId: null };
    await opened(request, response, await signInAt(db, tries, parse(signIn, request.body), from));
  });
  router.post('/door/demo', async (request, response) => {
    const { personId } = parse(demoSignIn, request.body);
    await opened(request, response, await signIntoDemo(db, personId, await screenAt(request)));
  });
  router.post('/door/change-over', async (request, response) => {
    const screen = await knownScreen(request);
    const told = parse(changeOver, request.body);
    await opened(request, response, await changeOverAt(db, tries, told, screen, addressOf(request)));
  });
  router.post('/door/lock', async (request, response) => {
    await lockScreen(db, await knownScreen(request));
    response.json(await readDoor(db, await screenAt(request), standing(request)));
  });
  router.delete('/door', async (request, response) => {
    const screen = await knownScreen(request);
    const by = screen.personId;
    if (by === null) throw notSignedIn();
    await db.sequelize.transaction((transaction) => endScreen(db, screen.deviceId, by, transaction));
    takeToken(request, response);
    response.json(await readDoor(db, null, standing(request)));
  });
  router.get('/devices', async (request, response) => {
    response.json(await listDevices(db, whoOf(request)));
  });
  router.delete('/devices/:id', async (request, response) => {
    const who = whoOf(request);
    await endDevice(db, parse(recordId, request.params.id), who);
    response.json(await listDevices(db, who));
  });
  return router;
}
