CREATE TABLE "pulls" (
	"id" uuid PRIMARY KEY NOT NULL,
	"job_id" uuid NOT NULL,
	"name" text NOT NULL,
	"document" jsonb NOT NULL,
	"created" timestamp with time zone DEFAULT now() NOT NULL
);
