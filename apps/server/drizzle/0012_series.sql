CREATE TABLE "series" (
	"job_id" uuid PRIMARY KEY NOT NULL,
	"series" jsonb NOT NULL,
	"revision" integer NOT NULL,
	"touched" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "series" jsonb;