import * as z from 'zod';
import { benchEvents, benchState } from '@odontis/contract/bench';
import { changesPage } from '@odontis/contract/changes';
import { handover, newCheck } from '@odontis/contract/check';
import { copiesState } from '@odontis/contract/copies';
import {
  cardFile,
  cardsTaken,
  customerChange,
  customerPage,
  forgetChange,
  mergeChange,
} from '@odontis/contract/customer';
import { CSRF_HEADER, SITTING_HEADER } from '@odontis/contract/door';
import { changeOver, demoSignIn, devices, doorState, firstOwner, signIn } from '@odontis/contract/door';
import { dossier } from '@odontis/contract/dossier';
import { evidenceKept, lineMeasured, newEvidence, sessionDone } from '@odontis/contract/evidence';
import { keyed } from '@odontis/contract/fields';
import { machineState } from '@odontis/contract/machine';
import { labelPrinter, labelWanted, newMessage, newPhotograph, outboxMessage } from '@odontis/contract/notes';
import { tool } from '@odontis/core/store/tool';
import { placeKeeping } from '@odontis/core/work/place-keeping';
import { codeChange, newCalibration, newPerson, passwordChange, person, personChange } from '@odontis/contract/people';
import { linePlanChoice, roundPlanChoice } from '@odontis/contract/plan';
import { newPriceWord } from '@odontis/contract/price';
import { newSawCorrection } from '@odontis/contract/corrections';
import { newOutwork, outworkBack } from '@odontis/contract/outwork';
import { newPreparation } from '@odontis/contract/preparing';
import { problem, PROBLEM_TYPE } from '@odontis/contract/problem';
import { learning } from '@odontis/contract/learning';
import { newTool, newToolDeed, storeRoom } from '@odontis/contract/store';
import { shop, shopChange } from '@odontis/contract/shop';
import {
  alikeSaw,
  counterBook,
  customerFound,
  endChange,
  knownSaw,
  newTicket,
  rackRow,
  reopenChange,
  ticketChange,
  ticketNumbered,
} from '@odontis/contract/ticket';
import type { Need } from './needs';
import { NEEDS } from './needs';

/** What a route takes and gives: a form of the contract, or a kind of file. */
interface Described {
  readonly does: string;
  readonly takes?: z.ZodType;
  /** What is asked behind the question mark. */
  readonly asks?: readonly string[];
  readonly gives: z.ZodType | string;
  readonly status?: number;
}

const ok = z.object({ ok: z.boolean() });
const nothing = z.object({});
const people = person.array();
const PDF = 'application/pdf';

/** Every route in words and forms; the compiler holds it to the table of what each needs. */
const DESCRIBED: Readonly<Record<keyof typeof NEEDS, Described>> = {
  'GET /alive': { does: 'The server lives.', gives: ok },
  'GET /health': { does: 'The server and its database answer.', gives: ok },
  'GET /metrics': { does: 'Metrics in text form, on the computer itself alone.', gives: 'text/plain' },
  'GET /machine': { does: 'How the shop’s computer does.', gives: machineState },
  'GET /openapi.json': { does: 'This description.', gives: 'application/json' },
  'GET /door': { does: 'How the door stands for this browser.', gives: doorState },
  'POST /door/first': { does: 'Makes a shop’s first owner.', takes: firstOwner, gives: doorState },
  'POST /door/sign-in': { does: 'Lets a new screen in.', takes: signIn, gives: doorState },
  'POST /door/demo': { does: 'Lets into the demo.', takes: demoSignIn, gives: doorState },
  'POST /door/change-over': { does: 'Another sits down at a known screen.', takes: changeOver, gives: doorState },
  'POST /door/lock': { does: 'Locks this screen.', takes: nothing, gives: doorState },
  'DELETE /door': { does: 'Signs this screen out.', gives: doorState },
  'GET /devices': { does: 'Screens that were let in.', gives: devices },
  'DELETE /devices/:id': { does: 'Lets a screen in no more.', gives: devices },
  'GET /shop': { does: 'The shop book.', gives: shop },
  'GET /learning': { does: 'What the shop learned, foretold against found.', gives: learning },
  'GET /store': { does: 'The Store: tools, stock, wear, and what orders want of it.', gives: storeRoom },
  'POST /store/tools': { does: 'Something new in the Store.', takes: newTool, gives: storeRoom, status: 201 },
  'PUT /store/tools/:id': { does: 'Tells a tool anew.', takes: tool, gives: storeRoom },
  'POST /store/tools/:id/deeds': {
    does: 'What happened to a tool.',
    takes: newToolDeed,
    gives: storeRoom,
    status: 201,
  },
  'PUT /shop': { does: 'Keeps the shop book.', takes: shopChange, gives: shop },
  'GET /people': { does: 'Everybody of the shop.', gives: people },
  'POST /people': { does: 'Adds somebody.', takes: keyed(newPerson), gives: people, status: 201 },
  'PUT /people/:id': { does: 'What somebody does here.', takes: personChange, gives: people },
  'PUT /people/:id/password': { does: 'Chooses a password.', takes: passwordChange, gives: people },
  'PUT /people/:id/code': { does: 'Chooses a code.', takes: codeChange, gives: people },
  'PUT /people/:id/place': { does: 'Chooses how one keeps the place at the vise.', takes: placeKeeping, gives: people },
  'POST /people/:id/calibrations': {
    does: 'A reading of a hand.',
    takes: newCalibration,
    gives: people,
    status: 201,
  },
  'GET /changes': { does: 'Who changed what.', asks: ['before'], gives: changesPage },
  'GET /customers': { does: 'Customers as typed.', asks: ['typed'], gives: customerFound.array() },
  'POST /customers/cards': { does: 'Takes vCards in.', takes: cardFile, gives: cardsTaken, status: 201 },
  'GET /customers/:id': { does: 'A customer’s page.', gives: customerPage },
  'PUT /customers/:id': { does: 'Changes a customer.', takes: customerChange, gives: customerPage },
  'POST /customers/:id/merge': { does: 'Makes two records one.', takes: mergeChange, gives: customerPage },
  'POST /customers/:id/forget': { does: 'Takes a person’s data out.', takes: forgetChange, gives: customerPage },
  'GET /customers/:id/saws': { does: 'Saws they brought.', gives: knownSaw.array() },
  'GET /customers/:id/card.vcf': { does: 'A vCard.', gives: 'text/vcard' },
  'GET /customers/:id/everything.json': { does: 'Everything kept about them.', gives: 'application/json' },
  'GET /saws/alike': {
    does: 'Saws like the one told.',
    asks: [
      'family',
      'name',
      'marksOnIt',
      'toothLineMm',
      'pitchMm',
      'plateThicknessMm',
      'plateDepthHeelMm',
      'customerId',
    ],
    gives: alikeSaw.array(),
  },
  'GET /rack': { does: 'Every saw in the shop.', gives: rackRow.array() },
  'GET /counter': { does: 'What the counter reckons with.', gives: counterBook },
  'GET /tickets/numbered/:number': { does: 'A ticket by its number.', gives: ticketNumbered },
  'POST /tickets': { does: 'Takes a saw in.', takes: newTicket, gives: dossier, status: 201 },
  'GET /tickets/:id': { does: 'All of a ticket.', gives: dossier },
  'PATCH /tickets/:id': { does: 'Corrects a ticket.', takes: ticketChange, gives: dossier },
  'POST /tickets/:id/end': { does: 'Ends a ticket without the work it came for.', takes: endChange, gives: dossier },
  'POST /tickets/:id/reopen': { does: 'An ended ticket goes on.', takes: reopenChange, gives: dossier },
  'POST /tickets/:id/price': { does: 'A word of the price.', takes: newPriceWord, gives: dossier, status: 201 },
  'POST /tickets/:id/evidence': { does: 'Keeps readings.', takes: newEvidence, gives: evidenceKept, status: 201 },
  'POST /tickets/:id/sessions/:session/finish': { does: 'Closes a session.', takes: sessionDone, gives: dossier },
  'POST /tickets/:id/measured': { does: 'On to the plan.', takes: lineMeasured, gives: dossier },
  'POST /tickets/:id/saw': {
    does: 'Puts a saw’s own data right.',
    takes: newSawCorrection,
    gives: dossier,
    status: 201,
  },
  'POST /tickets/:id/outwork': { does: 'Sends a saw to a grinder.', takes: newOutwork, gives: dossier, status: 201 },
  'POST /tickets/:id/outwork/back': {
    does: 'It came back from the grinder.',
    takes: outworkBack,
    gives: dossier,
    status: 201,
  },
  'POST /tickets/:id/preparing': {
    does: 'Something done before measuring.',
    takes: newPreparation,
    gives: dossier,
    status: 201,
  },
  'POST /tickets/:id/plan': {
    does: 'Accepts a plan.',
    takes: z.union([linePlanChoice, roundPlanChoice]),
    gives: dossier,
  },
  'POST /tickets/:id/bench': { does: 'Presses at the vise.', takes: benchEvents, gives: benchState },
  'POST /tickets/:id/checks': { does: 'Judges a test cut.', takes: newCheck, gives: dossier },
  'POST /tickets/:id/handover': { does: 'Hands a saw back.', takes: handover, gives: dossier },
  'GET /tickets/:id/tag.pdf': { does: 'A tag.', gives: PDF },
  'GET /tags.pdf': { does: 'Tags, ten to a sheet.', asks: ['tickets', 'skip'], gives: PDF },
  'GET /measuring-sheet.pdf': {
    does: 'Measuring strips to be cut out.',
    asks: ['paper', 'kind', 'sheet', 'diameter'],
    gives: PDF,
  },
  'GET /tickets/:id/outwork/:number/note.pdf': { does: 'What goes with a saw to a grinder.', gives: PDF },
  'GET /tickets/:id/quote.pdf': { does: 'The quote of a visit.', gives: PDF },
  'GET /tickets/:id/report.pdf': { does: 'The customer’s report.', gives: PDF },
  'GET /tickets/:id/aids.pdf': { does: 'Aids of its plan at true scale.', asks: ['paper'], gives: PDF },
  'GET /tickets/:id/card.pdf': { does: 'The shop’s own card: its order, and the cut it promises.', gives: PDF },
  'POST /tickets/:id/photographs': {
    does: 'Adds a photograph.',
    takes: keyed(newPhotograph),
    gives: dossier,
    status: 201,
  },
  'DELETE /tickets/:id/photographs/:photograph': { does: 'Removes a photograph.', gives: dossier },
  'GET /photographs/:id.jpg': { does: 'A photograph.', gives: 'image/jpeg' },
  'GET /outbox': { does: 'Notes to customers.', gives: outboxMessage.array() },
  'POST /outbox/carry': { does: 'Hands them to the carrier.', takes: nothing, gives: outboxMessage.array() },
  'POST /tickets/:id/messages': { does: 'Writes a note.', takes: keyed(newMessage), gives: dossier, status: 201 },
  'GET /labels': { does: 'The label printer’s tray.', gives: labelPrinter },
  'POST /labels': { does: 'Prints labels.', takes: keyed(labelWanted), gives: labelPrinter, status: 201 },
  'POST /labels/roll': { does: 'Loads a roll.', takes: nothing, gives: labelPrinter },
  'GET /copies': { does: 'How the copies stand.', gives: copiesState },
  'POST /copies': { does: 'Makes a copy.', takes: nothing, gives: copiesState, status: 201 },
};

/** A form as JSON Schema (2020-12), as it is written by the caller or as it is answered. */
const formOf = (schema: z.ZodType, io: 'input' | 'output'): object => {
  // Each stands by itself in the description: its own address of the dialect would only repeat.
  const { $schema: _, ...form } = z.toJSONSchema(schema, { io, unrepresentable: 'any' });
  return form;
};

const NEED_WORDS: Readonly<Record<Need, string>> = {
  nobody: 'For everybody.',
  screen: 'For a screen that was let in, locked or not.',
  counter: 'For everybody of the shop.',
  filer: 'For filers and owners.',
  owner: 'For owners.',
};

let made: Promise<object> | undefined;
/** The description of every route, made from the contract once (OpenAPI 3.1); others are answered between its routes. */
export const openApi = (version: string): Promise<object> => (made ??= describe(version));

async function describe(version: string): Promise<object> {
  const paths: Record<string, Record<string, object>> = {};
  for (const [route, { does, takes, asks = [], gives, status = 200 }] of Object.entries(DESCRIBED)) {
    await new Promise((resolve) => setImmediate(resolve));
    const [method = '', path = ''] = route.split(' ');
    const need: Need = NEEDS[route as keyof typeof NEEDS];
    const content = (schema: object) => ({ 'application/json': { schema } });
    const names = [...path.matchAll(/:(\w+)/g)].map(([, name = '']) => name);
    const parameter = (name: string, where: 'path' | 'query') => ({
      name,
      in: where,
      required: where === 'path',
      schema: { type: 'string' },
    });
    const operation = {
      summary: does,
      description: NEED_WORDS[need],
      security: need === 'nobody' ? [] : [{ screen: [] }],
      parameters: [...names.map((name) => parameter(name, 'path')), ...asks.map((name) => parameter(name, 'query'))],
      ...(takes && { requestBody: { required: true, content: content(formOf(takes, 'input')) } }),
      responses: {
        [status]: {
          description: 'As asked.',
          content: typeof gives === 'string' ? { [gives]: {} } : content(formOf(gives, 'input')),
        },
        default: { $ref: '#/components/responses/refusal' },
      },
    };
    const at = `/api${path.replace(/:(\w+)/g, '{$1}')}`;
    (paths[at] ??= {})[method.toLowerCase()] = operation;
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Odontis',
      version,
      description: `A saw shop. Whatever changes something repeats the cookie’s token in ${CSRF_HEADER}; what waited names its sitting in ${SITTING_HEADER}.`,
    },
    paths,
    components: {
      securitySchemes: { screen: { type: 'apiKey', in: 'cookie', name: 'odontis' } },
      responses: {
        refusal: {
          description: 'Refused; see /docs/errors.',
          content: { [PROBLEM_TYPE]: { schema: formOf(problem, 'output') } },
        },
      },
    },
  };
}
