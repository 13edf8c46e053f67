import type { Person, Soak, Tub } from '@yard-spool/contract';
import { lineOf, soakAdvice, soakUptake, wordsAsText, wordsFromText } from '@yard-spool/core';
import type { SoakRow, TubRow } from '../db/models/tubs';
import type { Reading, ServerContext, Unit } from '../context/context';
import { heldAnswer } from '../context/held-answer';
import { unit } from '../context/unit';
import { rulesFor } from '../house-rules/effective';
import { managersOnly, noteHouseChange } from '../shop/house-changes';
import { peopleNames } from '../people/people';
import { ProblemError } from '../problem-error';
import { lockPiece } from '../rack/move';
import { listPieces, onePiece } from '../rack/rack';

const HOUR = 3_600_000;

const TUBS = heldAnswer(
  async ({ tables }) =>
    (await tables.tubs.findAll({ where: { removed: false }, order: ['name'] })).map(({ id, name }) => ({
      id,
      name,
    })),
  ['tubs'],
);

/** All tubs with what lies in them, soonest ready first. */
export async function listTubs(from: Reading): Promise<Tub[]> {
  const [tubs, soaks, nameOf] = await Promise.all([
    TUBS.ask(from),
    from.tables.soaks.findAll({ where: { outAt: null }, order: ['readyAt', 'id'] }),
    peopleNames(from),
  ]);
  const pieces = await listPieces(from, { id: soaks.map(({ pieceId }) => pieceId) });
  const pieceOf = new Map(pieces.map((piece) => [piece.id, piece]));
  const toSoak = (row: SoakRow): Soak => {
    const piece = pieceOf.get(row.pieceId);
    if (!piece) throw new Error('A soak is of a piece.');
    const { name, diameter, tint, material } = piece.product;
    const hours = Math.max(0, from.clock().getTime() - row.inAt.getTime()) / HOUR;
    const none = { share: 0, low: 0, high: 0 };
    return {
      id: row.id,
      code: piece.code,
      productName: name,
      diameter,
      tint,
      advice: wordsFromText(row.advice),
      why: row.why,
      inAt: row.inAt.toISOString(),
      by: nameOf.get(row.byId) ?? '',
      readyAt: row.readyAt.toISOString(),
      tooLongAt: row.tooLongAt.toISOString(),
      uptake: soakUptake(diameter, hours, material) ?? none,
    };
  };
  return tubs.map(({ id, name }) => ({
    id,
    name,
    soaks: soaks.filter(({ tubId }) => tubId === id).map(toSoak),
  }));
}

async function oneTub(from: Reading, id: number): Promise<Tub> {
  const tub = (await listTubs(from)).find((one) => one.id === id);
  if (!tub) throw new ProblemError('not-found', 'This tub is not there any more.');
  return tub;
}

/** Another tub; one of this name that was taken away comes back. */
export async function addTub(context: ServerContext, person: Person, name: string): Promise<Tub> {
  const id = await unit(context, person, async (u) => {
    const there = await u.tables.tubs.findOne({ where: { name, removed: true } });
    if (there) await u.tables.tubs.change(there, { removed: false });
    const tub = there ?? (await u.tables.tubs.create({ name }));
    await noteHouseChange(u, { about: 'Soak tubs', was: '', is: name });
    return tub.id;
  });
  return oneTub(context, id);
}

/** Another name for a tub. */
export async function changeTub(
  context: ServerContext,
  person: Person,
  id: number,
  name: string,
): Promise<Tub> {
  managersOnly(person, 'renames a tub');
  await unit(context, person, async (u) => {
    const tub = await lockTub(u, id);
    await noteHouseChange(u, { about: 'Soak tubs', was: tub.name, is: name });
    await u.tables.tubs.change(tub, { name });
  });
  return oneTub(context, id);
}

/** Takes an empty tub away; what lay in it before keeps its record. */
export async function removeTub(context: ServerContext, person: Person, id: number): Promise<object> {
  managersOnly(person, 'takes a tub away');
  await unit(context, person, async (u) => {
    const tub = await lockTub(u, id);
    if ((await u.tables.soaks.count({ where: { tubId: id, outAt: null } })) > 0)
      throw new ProblemError('in-the-water', `There is line in ${tub.name}. Take it out first.`);
    await noteHouseChange(u, { about: 'Soak tubs', was: tub.name, is: '' });
    await u.tables.tubs.change(tub, { removed: true });
  });
  return {};
}

async function lockTub({ tables }: Unit, id: number): Promise<TubRow> {
  const tub = await tables.tubs.lockOne({
    where: { id, removed: false },
  });
  if (!tub) throw new ProblemError('not-found', 'This tub is not there any more.');
  return tub;
}

/** Puts a piece in the water, ready when the house's school says so for its line. */
export async function soakPiece(
  context: ServerContext,
  person: Person,
  tubId: number,
  code: string,
): Promise<Tub> {
  await unit(context, person, async (u) => {
    await lockTub(u, tubId);
    const row = await lockPiece(u, { code });
    const piece = await onePiece(u, { code });
    if (piece.soaking) throw new ProblemError('in-the-water', `${code} is in ${piece.soaking.tub} already.`);
    const { material } = piece.product;
    if (material !== 'nylon')
      throw new ProblemError(
        'bad-request',
        `${code} is ${material.replace('-', ' ')}: it takes up next to no water. Keep it dry.`,
      );
    const { rules, from } = await rulesFor(u, { line: piece.product.code, material });
    const line = lineOf(piece.product);
    const made = line.soakHours;
    const { hours, tooLongAfter, sentence, why } = soakAdvice(line, rules);
    if (hours === 0)
      throw new ProblemError(
        'bad-request',
        made === undefined ? 'This shop does not soak line. The shop rule says otherwise first.' : why,
      );
    const inAt = u.clock();
    const after = (h: number): Date => new Date(inAt.getTime() + h * HOUR);
    await u.tables.soaks.create({
      tubId,
      pieceId: row.id,
      inAt,
      byId: u.actor.id,
      advice: wordsAsText(sentence),
      why:
        from.soak && made === undefined
          ? `${why} Set so for this line${from.soak === 'material' ? ' by what it is made of' : ''}.`
          : why,
      readyAt: after(hours),
      tooLongAt: after(tooLongAfter),
    });
  });
  return oneTub(context, tubId);
}

/** Takes a piece out of the water. It counts as wet for a day. */
export async function takeOut(context: ServerContext, person: Person, soakId: number): Promise<Tub> {
  const tubId = await unit(context, person, async ({ tables: { soaks }, clock, actor }) => {
    const soak = await soaks.lock(soakId);
    if (!soak) throw new ProblemError('not-found', 'This piece is not in a tub any more.');
    if (soak.outAt === null) await soaks.change(soak, { outAt: clock(), outById: actor.id });
    return soak.tubId;
  });
  return oneTub(context, tubId);
}

/** Puts a piece back that was taken out by a slip: it lies in the water as if it had never left. */
export async function putBack(context: ServerContext, person: Person, soakId: number): Promise<Tub> {
  const tubId = await unit(context, person, async (u) => {
    const { soaks } = u.tables;
    const soak = await soaks.lock(soakId);
    if (!soak) throw new ProblemError('not-found', 'This piece is not in a tub any more.');
    await lockTub(u, soak.tubId);
    await lockPiece(u, { id: soak.pieceId });
    const [now] = await soaks.findAll({ where: { pieceId: soak.pieceId, outAt: null } });
    if (now && now.id !== soakId)
      throw new ProblemError('in-the-water', 'It was put into a tub again meanwhile.');
    await soaks.change(soak, { outAt: null, outById: null });
    return soak.tubId;
  });
  return oneTub(context, tubId);
}
