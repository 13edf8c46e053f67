import type {
  Attributes,
  CountOptions,
  CreationAttributes,
  DestroyOptions,
  FindOptions,
  IncrementDecrementOptionsWithBy,
  Model,
  ModelStatic,
  Transaction,
  WhereOptions,
} from 'sequelize';

/** What is asked of a table. Which transaction it is asked in is the table's own affair. */
type Find<Row extends Model> = Omit<FindOptions<Attributes<Row>>, 'transaction' | 'lock'>;

/** A table to read: as committed by now, or, bound to a transaction, as it stands inside it. */
export class ReadTable<Row extends Model> {
  constructor(
    protected readonly model: ModelStatic<Row>,
    protected readonly transaction: Transaction | null,
  ) {}

  async findAll(options: Find<Row> = {}): Promise<Row[]> {
    return asksForNone(options.where) ? [] : await this.model.findAll({ ...options, ...this.inIt });
  }

  /** The first row found. The limit is said: without it all are read where the first column of a key is asked for. */
  findOne(options: Find<Row> = {}): Promise<Row | null> {
    return this.model.findOne({ limit: 1, ...options, ...this.inIt });
  }

  findByPk(id: number | string): Promise<Row | null> {
    return this.model.findByPk(id, this.inIt);
  }

  count(options: Omit<CountOptions<Attributes<Row>>, 'transaction'> = {}): Promise<number> {
    return this.model.count({ ...options, ...this.inIt });
  }

  protected get inIt(): { transaction: Transaction } | object {
    return this.transaction ? { transaction: this.transaction } : {};
  }
}

/** Whether a column is to be one of no values: nothing is found, and the database need not be asked. */
const asksForNone = (where: object | undefined): boolean =>
  Object.values(where ?? {}).some((wanted) => Array.isArray(wanted) && wanted.length === 0);

/** A table inside a change: everything read, locked and written belongs to the one transaction. */
export class Table<Row extends Model> extends ReadTable<Row> {
  constructor(
    model: ModelStatic<Row>,
    private readonly bound: Transaction,
    private readonly wrote: () => void,
  ) {
    super(model, bound);
  }

  /** The transaction that something is written in; whoever holds what was read of the table is told once it is kept. */
  private get writing(): { transaction: Transaction } {
    this.wrote();
    return { transaction: this.bound };
  }

  /** The row, locked until the change ends. */
  lock(id: number | string): Promise<Row | null> {
    return this.model.findByPk(id, this.locking);
  }

  /** The first row found, locked until the change ends. */
  lockOne(options: Find<Row>): Promise<Row | null> {
    return this.model.findOne({ limit: 1, ...options, ...this.locking });
  }

  /** The rows found, locked in their order until the change ends. */
  lockAll(options: Find<Row>): Promise<Row[]> {
    return this.model.findAll({ ...options, ...this.locking });
  }

  create(values: CreationAttributes<Row>): Promise<Row> {
    return this.model.create(values, this.writing);
  }

  async createAll(rows: readonly CreationAttributes<Row>[]): Promise<void> {
    if (rows.length > 0) await this.model.bulkCreate([...rows], this.writing);
  }

  /**
   * The row of a unique key, locked, and made first where it is not there. Two who make it at once get the same one: the
   * second insert finds the first and changes nothing.
   */
  async lockOrCreate(key: Partial<Attributes<Row>> & object, values: CreationAttributes<Row>): Promise<Row> {
    const where = key as WhereOptions<Attributes<Row>>;
    const there = await this.lockOne({ where });
    if (there) return there;
    const updateOnDuplicate = Object.keys(key) as (keyof Attributes<Row>)[];
    await this.model.bulkCreate([values], { updateOnDuplicate, ...this.writing });
    const made = await this.lockOne({ where });
    if (!made) throw new Error('What was just made is there.');
    return made;
  }

  /** Changes a row that was read inside this change. */
  change(row: Row, values: Partial<Attributes<Row>>): Promise<Row> {
    return row.update(values, this.writing);
  }

  async changeAll(values: Partial<Attributes<Row>>, where: WhereOptions<Attributes<Row>>): Promise<number> {
    const [changed] = await this.model.update(values, { where, ...this.writing });
    return changed;
  }

  async addOne(column: keyof Attributes<Row>, where: WhereOptions<Attributes<Row>>): Promise<void> {
    const options: IncrementDecrementOptionsWithBy<Attributes<Row>> = {
      by: 1,
      where,
      ...this.writing,
    };
    await this.model.increment(column, options);
  }

  async remove(row: Row): Promise<void> {
    await row.destroy(this.writing);
  }

  removeAll(where: NonNullable<DestroyOptions<Attributes<Row>>['where']>): Promise<number> {
    return this.model.destroy({ where, ...this.writing });
  }

  private get locking() {
    return { transaction: this.bound, lock: this.bound.LOCK.UPDATE };
  }
}
