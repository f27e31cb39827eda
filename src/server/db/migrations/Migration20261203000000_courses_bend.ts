import { Migration } from '@mikro-orm/migrations';

/** Classes that were cancelled, what was accepted, courses taken away, and what each change of a course was, so that it can be undone. */
export class Migration20261203000000_courses_bend extends Migration {
  override up(): void {
    this.addSql('alter table course add column settled boolean not null default false');
    this.addSql("alter table course add column accepted jsonb not null default '[]'");
    this.addSql('alter table course add column removed_at timestamptz null');
    this.addSql('alter table course add column copied_from uuid null references course (id)');
    this.addSql('alter table class_session add column cancelled jsonb null');
    this.addSql("alter table studio add column guards jsonb not null default '{}'");
    this.addSql(`create table course_step (
      id uuid primary key,
      studio uuid not null references studio (id),
      course uuid not null references course (id),
      what text not null,
      before jsonb not null,
      after jsonb not null,
      back boolean not null,
      made_by uuid not null references staff (id),
      made_at timestamptz not null
    )`);
    this.addSql('create index on course_step (course, made_at)');
    this.addSql('create trigger course_step_append_only before update or delete on course_step for each row execute function refuse_change()');
    this.addSql('alter table outbox_mail alter column person drop not null');
  }
}
