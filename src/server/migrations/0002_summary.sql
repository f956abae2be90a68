CREATE TABLE "journal_mark" (
	"id" integer PRIMARY KEY NOT NULL,
	"seq" bigint NOT NULL
);
--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "summary" jsonb;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "words" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "is_closed" boolean DEFAULT false NOT NULL;--> statement-breakpoint
CREATE INDEX "jobs_by_time" ON "jobs" USING btree ("created_at","id");