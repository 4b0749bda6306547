import { QueryTypes, type Sequelize } from 'sequelize';

/** Tables of a company's documents. */
const DOCUMENTS = [
  'lawns',
  'visits',
  'records',
  'readings',
  'samples',
  'photos',
  'reports',
  'customers',
] as const;
type Table = (typeof DOCUMENTS)[number] | 'station_versions';

/** Of each table, what its rows of a company stand at: another one after every write. */
export type CompanyMarks = Readonly<Record<Table, string>>;

const markOf = (table: Table, id: 'id' | 'station_id') =>
  `SELECT '${table}' AS name, CONCAT(COUNT(*), '/', IFNULL(SUM(version), 0), '/',
     IFNULL(BIT_XOR(CRC32(CONCAT(${id}, '/', version))), 0)) AS mark
   FROM ${table} WHERE company_id = :companyId`;
const SQL = [
  ...DOCUMENTS.map((table) => markOf(table, 'id')),
  markOf('station_versions', 'station_id'),
].join(' UNION ALL ');

/** Asked once for everything that an answer is put together of, so that what stands is not put together again. */
export async function companyMarks(sequelize: Sequelize, companyId: string): Promise<CompanyMarks> {
  const rows = await sequelize.query<{ name: Table; mark: string }>(SQL, {
    replacements: { companyId },
    type: QueryTypes.SELECT,
  });
  return Object.fromEntries(rows.map(({ name, mark }) => [name, mark])) as CompanyMarks;
}
