CREATE TABLE "journal" (
	"show" text NOT NULL,
	"plan" text NOT NULL,
	"revision" integer NOT NULL,
	"kind" text NOT NULL,
	"client" text,
	"seq" bigint,
	"title" text,
	"content" text NOT NULL,
	"inverse" text,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "journal_show_plan_revision_pk" PRIMARY KEY("show","plan","revision"),
	CONSTRAINT "journal_once" UNIQUE("show","plan","client","seq"),
	CONSTRAINT "journal_kind" CHECK ("journal"."kind" in ('snapshot', 'transaction'))
);
--> statement-breakpoint
CREATE TABLE "plans" (
	"show" text NOT NULL,
	"id" text NOT NULL,
	"revision" integer NOT NULL,
	"document" text NOT NULL,
	CONSTRAINT "plans_show_id_pk" PRIMARY KEY("show","id")
);
--> statement-breakpoint
CREATE TABLE "shows" (
	"id" text PRIMARY KEY NOT NULL,
	"title" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"seed" text,
	CONSTRAINT "shows_seed_unique" UNIQUE("seed")
);
--> statement-breakpoint
ALTER TABLE "plans" ADD CONSTRAINT "plans_show_shows_id_fk" FOREIGN KEY ("show") REFERENCES "public"."shows"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "journal_client" ON "journal" USING btree ("show","plan","client");