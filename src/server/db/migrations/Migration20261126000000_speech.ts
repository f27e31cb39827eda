import { Migration } from '@mikro-orm/migrations';

/** How a studio's teachers speak: how fast, how much, and the calls it words in its own way. */
export class Migration20261126000000_speech extends Migration {
  override up(): void {
    this.addSql(`alter table studio add column speech jsonb not null default '{"loudness": "full", "wordsPerSecond": 2.5, "wording": {}}';`);
  }
}
