CREATE TABLE "entries" (
	"seq" bigserial NOT NULL,
	"job_id" text NOT NULL,
	"id" text NOT NULL,
	"body" jsonb NOT NULL,
	CONSTRAINT "entries_job_id_id_pk" PRIMARY KEY("job_id","id")
);
--> statement-breakpoint
CREATE TABLE "jobs" (
	"id" text PRIMARY KEY NOT NULL,
	"title" text NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"system_key" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "systems" (
	"key" text PRIMARY KEY NOT NULL,
	"id" text NOT NULL,
	"name" text NOT NULL,
	"body" jsonb NOT NULL,
	"added_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "entries" ADD CONSTRAINT "entries_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "jobs" ADD CONSTRAINT "jobs_system_key_systems_key_fk" FOREIGN KEY ("system_key") REFERENCES "public"."systems"("key") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "entries_by_job" ON "entries" USING btree ("job_id","seq");