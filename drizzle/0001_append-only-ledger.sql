CREATE FUNCTION refuse_ledger_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'the ledger is append-only: reverse the movement instead';
END;
$$;
--> statement-breakpoint
CREATE TRIGGER movement_append_only BEFORE UPDATE OR DELETE ON movement FOR EACH ROW EXECUTE FUNCTION refuse_ledger_change();
--> statement-breakpoint
CREATE TRIGGER leg_append_only BEFORE UPDATE OR DELETE ON leg FOR EACH ROW EXECUTE FUNCTION refuse_ledger_change();
--> statement-breakpoint
CREATE FUNCTION legs_sum_to_zero() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF (SELECT sum(amount) FROM leg WHERE movement_id = NEW.movement_id) <> 0 THEN
    RAISE EXCEPTION 'the legs of movement % do not sum to zero', NEW.movement_id;
  END IF;
  RETURN NULL;
END;
$$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER leg_sums_to_zero AFTER INSERT ON leg DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION legs_sum_to_zero();
--> statement-breakpoint
CREATE FUNCTION keep_bowl_reversal() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF OLD.reversed_by IS NOT NULL AND NEW.reversed_by IS DISTINCT FROM OLD.reversed_by THEN
    RAISE EXCEPTION 'a bowl is taken back once';
  END IF;
  RETURN NEW;
END;
$$;
--> statement-breakpoint
CREATE TRIGGER bowl_reversed_once BEFORE UPDATE ON bowl FOR EACH ROW EXECUTE FUNCTION keep_bowl_reversal();
