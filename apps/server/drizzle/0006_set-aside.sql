CREATE TABLE "older_documents" (
	"id" uuid NOT NULL,
	"version" integer NOT NULL,
	"from" text NOT NULL,
	"document" jsonb NOT NULL,
	"created" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "older_documents_id_version_pk" PRIMARY KEY("id","version")
);
--> statement-breakpoint
CREATE TABLE "set_aside" (
	"id" uuid PRIMARY KEY NOT NULL,
	"from" text NOT NULL,
	"row" jsonb NOT NULL,
	"reason" text NOT NULL,
	"created" timestamp with time zone DEFAULT now() NOT NULL
);
