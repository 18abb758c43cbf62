CREATE TABLE "preferences" (
	"name" text PRIMARY KEY NOT NULL,
	"value" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "attempts" integer DEFAULT 0 NOT NULL;