CREATE TABLE "job_steps" (
	"job_id" uuid NOT NULL,
	"sequence" integer NOT NULL,
	"step" jsonb NOT NULL,
	CONSTRAINT "job_steps_job_id_sequence_pk" PRIMARY KEY("job_id","sequence")
);
--> statement-breakpoint
CREATE TABLE "jobs" (
	"id" uuid PRIMARY KEY NOT NULL,
	"document" jsonb NOT NULL,
	"revision" integer NOT NULL,
	"position" integer DEFAULT 0 NOT NULL,
	"put_away" boolean DEFAULT false NOT NULL,
	"created" timestamp with time zone DEFAULT now() NOT NULL,
	"touched" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "original_bytes" (
	"sha256" text NOT NULL,
	"kind" text NOT NULL,
	"part" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	CONSTRAINT "original_bytes_sha256_kind_part_pk" PRIMARY KEY("sha256","kind","part")
);
--> statement-breakpoint
CREATE TABLE "originals" (
	"sha256" text PRIMARY KEY NOT NULL,
	"byte_length" integer NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"channels" integer NOT NULL,
	"small_level" integer NOT NULL,
	"facts" jsonb NOT NULL,
	"created" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "runs" (
	"id" uuid PRIMARY KEY NOT NULL,
	"job_id" uuid NOT NULL,
	"document" jsonb NOT NULL,
	"status" text NOT NULL,
	"films" jsonb NOT NULL,
	"message" text,
	"created" timestamp with time zone DEFAULT now() NOT NULL,
	"ended" timestamp with time zone
);
