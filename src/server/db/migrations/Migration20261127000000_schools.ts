import { Migration } from '@mikro-orm/migrations';

/** The ways a studio chose where schools differ, and a technique's own. What is missing is the default. */
export class Migration20261127000000_schools extends Migration {
  override up(): void {
    this.addSql(`alter table studio add column schools jsonb not null default '{}';`);
  }
}
