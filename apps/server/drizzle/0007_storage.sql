CREATE TABLE "refused_work" (
	"key" text PRIMARY KEY NOT NULL,
	"title" text NOT NULL,
	"detail" text NOT NULL,
	"created" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "put_away_changed" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "originals" ADD COLUMN "touched" timestamp with time zone DEFAULT now() NOT NULL;