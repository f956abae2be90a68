CREATE TABLE "codes" (
	"position" integer PRIMARY KEY NOT NULL,
	"body" jsonb NOT NULL
);
