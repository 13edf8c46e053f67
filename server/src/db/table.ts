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

  findAll(options: Find<Row> = {}): Promise<Row[]> {
    return this.model.findAll({ ...options, ...this.inIt });
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

/** A table inside a change: everything read, locked and written belongs to the one transaction. */
export class Table<Row extends Model> extends ReadTable<Row> {
  constructor(
    model: ModelStatic<Row>,
    private readonly bound: Transaction,
  ) {
    super(model, bound);
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
    return this.model.create(values, { transaction: this.bound });
  }

  async createAll(rows: readonly CreationAttributes<Row>[]): Promise<void> {
    if (rows.length > 0) await this.model.bulkCreate([...rows], { transaction: this.bound });
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
    await this.model.bulkCreate([values], { updateOnDuplicate, transaction: this.bound });
    const made = await this.lockOne({ where });
    if (!made) throw new Error('What was just made is there.');
    return made;
  }

  /** Changes a row that was read inside this change. */
  change(row: Row, values: Partial<Attributes<Row>>): Promise<Row> {
    return row.update(values, { transaction: this.bound });
  }

  async changeAll(values: Partial<Attributes<Row>>, where: WhereOptions<Attributes<Row>>): Promise<number> {
    const [changed] = await this.model.update(values, { where, transaction: this.bound });
    return changed;
  }

  async addOne(column: keyof Attributes<Row>, where: WhereOptions<Attributes<Row>>): Promise<void> {
    const options: IncrementDecrementOptionsWithBy<Attributes<Row>> = {
      by: 1,
      where,
      transaction: this.bound,
    };
    await this.model.increment(column, options);
  }

  async remove(row: Row): Promise<void> {
    await row.destroy({ transaction: this.bound });
  }

  removeAll(where: NonNullable<DestroyOptions<Attributes<Row>>['where']>): Promise<number> {
    return this.model.destroy({ where, transaction: this.bound });
  }

  private get locking() {
    return { transaction: this.bound, lock: this.bound.LOCK.UPDATE };
  }
}
