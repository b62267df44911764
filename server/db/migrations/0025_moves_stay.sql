ALTER TABLE "stock_move" DROP CONSTRAINT "stock_move_part_line_id_part_line_id_fk";
