import { Migration } from '@mikro-orm/migrations';

/** Whether the first steps of a studio that begins were put away. */
export class Migration20261211000000_first_steps extends Migration {
  override up(): void {
    this.addSql('alter table studio add column steps_away boolean not null default false');
  }
}
