ALTER TABLE "plans" ADD COLUMN "title" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "based_on" text;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "verdict" text;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "checked_by" text;