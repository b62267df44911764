CREATE INDEX "component_name" ON "component" USING btree ("name","id");
