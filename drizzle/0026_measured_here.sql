CREATE TABLE "measured_here" (
	"id" serial PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"of" text NOT NULL,
	"value" double precision NOT NULL,
	"reckoned" double precision NOT NULL,
	"at" timestamp with time zone NOT NULL
);
