import { connect } from '../connect.ts';

/** Prints the SQL that takes a migrated database to what the entities say, for a new class in migrations/. */
const orm = await connect(process.env.DATABASE_URL ?? '');
try {
  await orm.getMigrator().up();
  const sql = await orm.getSchemaGenerator().getUpdateSchemaSQL({ wrap: false });
  console.log(sql.trim() === '' ? 'The database is as the entities say.' : sql);
} finally {
  await orm.close(true);
}
