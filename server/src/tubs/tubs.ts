import { lineOf, type Person, type Soak, type Tub } from '@yard-spool/contract';
import type { Transaction } from 'sequelize';
import { soakAdvice, soakUptake } from '@yard-spool/core';
import { inTransaction } from '../db/transaction';
import type { SoakRow, TubRow } from '../db/models/tubs';
import type { House } from '../house';
import { rulesFor } from '../house-rules/effective';
import { managersOnly, noteHouseChange } from '../house-rules/house-changes';
import { peopleNames } from '../people/people';
import { ProblemError } from '../problem-error';
import { lockPiece } from '../rack/move';
import { listPieces, onePiece } from '../rack/rack';

const HOUR = 3_600_000;

/** All tubs with what lies in them, soonest ready first. */
export async function listTubs(house: House): Promise<Tub[]> {
  const [tubs, soaks, pieces, nameOf] = await Promise.all([
    house.tables.tubs.findAll({ where: { removed: false }, order: ['name'] }),
    house.tables.soaks.findAll({ where: { outAt: null }, order: ['readyAt', 'id'] }),
    listPieces(house),
    peopleNames(house),
  ]);
  const pieceOf = new Map(pieces.map((piece) => [piece.id, piece]));
  const toSoak = (row: SoakRow): Soak => {
    const piece = pieceOf.get(row.pieceId);
    if (!piece) throw new Error('A soak is of a piece.');
    const { name, diameter, tint, material } = piece.product;
    const hours = Math.max(0, house.clock().getTime() - row.inAt.getTime()) / HOUR;
    const none = { share: 0, low: 0, high: 0 };
    return {
      id: row.id,
      code: piece.code,
      ...{ productName: name, diameter, tint, advice: row.advice, why: row.why },
      inAt: row.inAt.toISOString(),
      by: nameOf.get(row.byId) ?? '',
      readyAt: row.readyAt.toISOString(),
      tooLongAt: row.tooLongAt.toISOString(),
      uptake: soakUptake(diameter, hours, material) ?? none,
    };
  };
  return tubs.map(({ id, name }: TubRow) => ({
    id,
    name,
    soaks: soaks.filter(({ tubId }) => tubId === id).map(toSoak),
  }));
}

async function oneTub(house: House, id: number): Promise<Tub> {
  const tub = (await listTubs(house)).find((one) => one.id === id);
  if (!tub) throw new ProblemError('not-found', 'This tub is not there any more.');
  return tub;
}

/** Another tub; one of this name that was taken away comes back. */
export async function addTub(house: House, person: Person, name: string): Promise<Tub> {
  const id = await inTransaction(house.sequelize, async (transaction) => {
    const there = await house.tables.tubs.findOne({ where: { name, removed: true }, transaction });
    await there?.update({ removed: false }, { transaction });
    const tub = there ?? (await house.tables.tubs.create({ name }, { transaction }));
    await noteHouseChange(house, person, { about: 'Soak tubs', was: '', is: name }, transaction);
    return tub.id;
  });
  return oneTub(house, id);
}

/** Another name for a tub. */
export async function changeTub(house: House, person: Person, id: number, name: string): Promise<Tub> {
  managersOnly(person, 'renames a tub');
  await inTransaction(house.sequelize, async (transaction) => {
    const tub = await lockTub(house, id, transaction);
    await noteHouseChange(house, person, { about: 'Soak tubs', was: tub.name, is: name }, transaction);
    await tub.update({ name }, { transaction });
  });
  return oneTub(house, id);
}

/** Takes an empty tub away; what lay in it before keeps its record. */
export async function removeTub(house: House, person: Person, id: number): Promise<object> {
  managersOnly(person, 'takes a tub away');
  await inTransaction(house.sequelize, async (transaction) => {
    const tub = await lockTub(house, id, transaction);
    if ((await house.tables.soaks.count({ where: { tubId: id, outAt: null }, transaction })) > 0)
      throw new ProblemError('in-the-water', `There is line in ${tub.name}. Take it out first.`);
    await noteHouseChange(house, person, { about: 'Soak tubs', was: tub.name, is: '' }, transaction);
    await tub.update({ removed: true }, { transaction });
  });
  return {};
}

async function lockTub({ tables }: House, id: number, transaction: Transaction): Promise<TubRow> {
  const tub = await tables.tubs.findOne({
    where: { id, removed: false },
    transaction,
    lock: transaction.LOCK.UPDATE,
  });
  if (!tub) throw new ProblemError('not-found', 'This tub is not there any more.');
  return tub;
}

/** Puts a piece in the water, ready when the house's school says so for its line. */
export async function soakPiece(house: House, person: Person, tubId: number, code: string): Promise<Tub> {
  await inTransaction(house.sequelize, async (transaction) => {
    await lockTub(house, tubId, transaction);
    const row = await lockPiece(house, { code }, transaction);
    const piece = await onePiece(house, { code }, transaction);
    if (piece.soaking) throw new ProblemError('in-the-water', `${code} is in ${piece.soaking.tub} already.`);
    const { material } = piece.product;
    if (material !== 'nylon')
      throw new ProblemError(
        'bad-request',
        `${code} is ${material.replace('-', ' ')}: it takes up next to no water. Keep it dry.`,
      );
    const { rules, from } = await rulesFor(house, { line: piece.product.code }, transaction);
    const { hours, tooLongAfter, sentence, why } = soakAdvice(lineOf(piece.product), rules);
    if (hours === 0)
      throw new ProblemError(
        'bad-request',
        'This house does not soak line. The house rule says otherwise first.',
      );
    const inAt = house.clock();
    const after = (h: number): Date => new Date(inAt.getTime() + h * HOUR);
    await house.tables.soaks.create(
      {
        ...{
          tubId,
          pieceId: row.id,
          inAt,
          byId: person.id,
          advice: sentence,
          why: from.soak ? `${why} Set so for this line.` : why,
        },
        readyAt: after(hours),
        tooLongAt: after(tooLongAfter),
      },
      { transaction },
    );
  });
  return oneTub(house, tubId);
}

/** Takes a piece out of the water. It counts as wet for a day. */
export async function takeOut(house: House, person: Person, soakId: number): Promise<Tub> {
  const soak = await house.tables.soaks.findByPk(soakId);
  if (!soak) throw new ProblemError('not-found', 'This piece is not in a tub any more.');
  if (soak.outAt === null) await soak.update({ outAt: house.clock(), outById: person.id });
  return oneTub(house, soak.tubId);
}
