CREATE TABLE "marks" (
	"id" integer PRIMARY KEY NOT NULL,
	"applied" bigint NOT NULL
);
