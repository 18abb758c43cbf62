CREATE TABLE "proof_comments" (
	"id" uuid PRIMARY KEY NOT NULL,
	"link" uuid NOT NULL,
	"name" text NOT NULL,
	"text" text NOT NULL,
	"place" jsonb,
	"from_studio" boolean NOT NULL,
	"done" boolean DEFAULT false NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "proof_links" (
	"id" uuid PRIMARY KEY NOT NULL,
	"hash" text NOT NULL,
	"job_id" uuid NOT NULL,
	"pull" uuid NOT NULL,
	"meant" text NOT NULL,
	"made_by" text,
	"created" timestamp with time zone DEFAULT now() NOT NULL,
	"expires" timestamp with time zone NOT NULL,
	"opened" timestamp with time zone,
	"answer" jsonb,
	CONSTRAINT "proof_links_hash_unique" UNIQUE("hash")
);
--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "approvals" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "proof_comments" ADD CONSTRAINT "proof_comments_link_proof_links_id_fk" FOREIGN KEY ("link") REFERENCES "public"."proof_links"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "proof_links" ADD CONSTRAINT "proof_links_pull_pulls_id_fk" FOREIGN KEY ("pull") REFERENCES "public"."pulls"("id") ON DELETE cascade ON UPDATE no action;