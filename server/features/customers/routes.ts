import { Router } from 'express';
import * as z from 'zod';
import { cardFile, customerChange, forgetChange, mergeChange } from '@odontis/contract/customer';
import { recordId, text } from '@odontis/contract/fields';
import type { Database } from '../../database/connect';
import { keepChange } from '../../database/keep-change';
import { parse } from '../../http/parse';
import { personOf, whoOf } from '../../http/who';
import { changeCustomer, exportCustomer, forgetCustomer, mergeCustomers, readCustomer, takeCards } from './ledger';
import { findCustomers } from './service';
import { alikeSaws, knownSaws, sawTold } from './known-saws';
import { writeCards } from './vcard';

const search = z.object({ typed: text(200, 'What to look for').default('') });

export function customerRoutes(db: Database): Router {
  const router = Router();
  const idOf = (raw: unknown): number => parse(recordId, raw);
  router.get('/customers', async (request, response) => {
    response.json(await findCustomers(db, parse(search, request.query).typed));
  });
  router.post('/customers/cards', async (request, response) => {
    const by = personOf(request);
    response.status(201).json(await takeCards(db, parse(cardFile, request.body).text, by));
  });
  router.get('/customers/:id', async (request, response) => {
    response.json(await readCustomer(db, idOf(request.params.id)));
  });
  router.put('/customers/:id', async (request, response) => {
    response.json(await changeCustomer(db, idOf(request.params.id), parse(customerChange, request.body)));
  });
  router.post('/customers/:id/merge', async (request, response) => {
    const change = parse(mergeChange, request.body);
    response.json(await mergeCustomers(db, idOf(request.params.id), change, whoOf(request)));
  });
  router.post('/customers/:id/forget', async (request, response) => {
    const { version } = parse(forgetChange, request.body);
    response.json(await forgetCustomer(db, idOf(request.params.id), version, whoOf(request)));
  });
  router.get('/customers/:id/saws', async (request, response) => {
    response.json(await knownSaws(db, idOf(request.params.id)));
  });
  router.get('/saws/alike', async (request, response) => {
    response.json(await alikeSaws(db, parse(sawTold, request.query)));
  });
  router.get('/customers/:id/card.vcf', async (request, response) => {
    const page = await readCustomer(db, idOf(request.params.id));
    await keepChange(db, whoOf(request), { kind: 'exported', about: `customer ${page.id}`, after: 'card.vcf' });
    response.attachment(`customer-${page.id}.vcf`).type('text/vcard').send(writeCards(page));
  });
  router.get('/customers/:id/everything.json', async (request, response) => {
    const id = idOf(request.params.id);
    const everything = await exportCustomer(db, id);
    await keepChange(db, whoOf(request), { kind: 'exported', about: `customer ${id}`, after: 'everything.json' });
    response.attachment(`customer-${id}.json`).json(everything);
  });
  return router;
}
