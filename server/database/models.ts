import type { Sequelize } from 'sequelize';
import { defineBenchEvent, defineBenchMark } from '../features/bench/model';
import { defineChange } from '../features/changes/model';
import { defineCheckRound } from '../features/checks/model';
import { defineContact, defineCustomer, defineSaw } from '../features/customers/model';
import { defineDevice, defineSecret, defineSitting } from '../features/door/model';
import { defineCalibration, definePerson } from '../features/people/model';
import { definePlan, definePlanReason } from '../features/plans/model';
import { defineEvidence, defineSession } from '../features/evidence/model';
import { defineShop } from '../features/shop/model';
import { defineArrival, defineTicket } from '../features/tickets/model';
import { definePhotograph } from '../features/photographs/model';
import { definePlanTool, defineTool, defineToolDeed } from '../features/store/model';
import { definePriceSaid, definePriceWord } from '../features/money/model';
import { definePreparation } from '../features/preparing/model';
import { defineReadingReason, defineSawCorrection } from '../features/corrections/model';
import { defineOutwork, defineOutworkBack } from '../features/outwork/model';
import { defineMessage } from '../features/outbox/model';

/** Every table's model on one connection. Models never leave the server. */
export function defineModels(sequelize: Sequelize) {
  return {
    Person: definePerson(sequelize),
    Secret: defineSecret(sequelize),
    Device: defineDevice(sequelize),
    Sitting: defineSitting(sequelize),
    Change: defineChange(sequelize),
    Calibration: defineCalibration(sequelize),
    Shop: defineShop(sequelize),
    Customer: defineCustomer(sequelize),
    Contact: defineContact(sequelize),
    Saw: defineSaw(sequelize),
    Arrival: defineArrival(sequelize),
    Ticket: defineTicket(sequelize),
    Photograph: definePhotograph(sequelize),
    Message: defineMessage(sequelize),
    Session: defineSession(sequelize),
    Evidence: defineEvidence(sequelize),
    Plan: definePlan(sequelize),
    PlanReason: definePlanReason(sequelize),
    PlanTool: definePlanTool(sequelize),
    Tool: defineTool(sequelize),
    ToolDeed: defineToolDeed(sequelize),
    Preparation: definePreparation(sequelize),
    SawCorrection: defineSawCorrection(sequelize),
    ReadingReason: defineReadingReason(sequelize),
    Outwork: defineOutwork(sequelize),
    OutworkBack: defineOutworkBack(sequelize),
    PriceWord: definePriceWord(sequelize),
    PriceSaid: definePriceSaid(sequelize),
    BenchEvent: defineBenchEvent(sequelize),
    BenchMark: defineBenchMark(sequelize),
    CheckRound: defineCheckRound(sequelize),
  };
}
export type Models = ReturnType<typeof defineModels>;
