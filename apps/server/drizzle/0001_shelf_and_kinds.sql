CREATE TABLE "shelf" (
	"id" uuid PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"item" jsonb NOT NULL,
	"created" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "originals" ADD COLUMN "kind" text DEFAULT 'picture' NOT NULL;--> statement-breakpoint
UPDATE "originals" SET "kind" = 'drawing' WHERE "channels" = 0;
