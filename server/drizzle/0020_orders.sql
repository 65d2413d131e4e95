CREATE TABLE "orders" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"first_write" integer DEFAULT nextval('writes') NOT NULL,
	"last_write" integer DEFAULT nextval('writes') NOT NULL,
	"shape" integer DEFAULT 0 NOT NULL,
	"number" serial NOT NULL,
	"supplier" text NOT NULL,
	"currency" text NOT NULL,
	"lines" jsonb NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"sent" jsonb,
	"confirmation" jsonb,
	"arrived" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"cancelled" jsonb,
	"open" boolean DEFAULT true NOT NULL,
	CONSTRAINT "orders_number_unique" UNIQUE("number")
);
--> statement-breakpoint
CREATE TABLE "units_on_order" (
	"job_id" uuid NOT NULL,
	"module_id" uuid NOT NULL,
	"unit" integer NOT NULL,
	"order_id" uuid NOT NULL,
	"line_id" uuid NOT NULL,
	"piece_id" uuid,
	"due_on" date,
	CONSTRAINT "units_on_order_job_id_module_id_unit_pk" PRIMARY KEY("job_id","module_id","unit")
);
--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "stands_for" jsonb;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "cost" integer;--> statement-breakpoint
ALTER TABLE "modules" ADD COLUMN "invoice" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "units_on_order" ADD CONSTRAINT "units_on_order_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "units_on_order" ADD CONSTRAINT "units_on_order_order_id_orders_id_fk" FOREIGN KEY ("order_id") REFERENCES "public"."orders"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "orders_open" ON "orders" USING btree ("number") WHERE open;--> statement-breakpoint
CREATE INDEX "units_of_order" ON "units_on_order" USING btree ("order_id");--> statement-breakpoint
CREATE INDEX "modules_serial" ON "modules" USING btree (lower(serial_number)) WHERE source = 'shelf';--> statement-breakpoint
CREATE INDEX "modules_stand_for" ON "modules" USING btree ((stands_for->>'jobId')) WHERE stands_for is not null;