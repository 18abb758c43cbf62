CREATE TABLE "workers" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"seen" timestamp with time zone DEFAULT now() NOT NULL,
	"task" uuid,
	"run" uuid,
	"film" integer
);
