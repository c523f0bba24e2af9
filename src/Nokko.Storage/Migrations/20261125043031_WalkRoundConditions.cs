using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    public partial class WalkRoundConditions : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<bool>(
                name: "from_document",
                table: "walk_rounds",
                type: "boolean",
                nullable: false,
                defaultValue: false
            );

            migrationBuilder.AddColumn<string>(
                name: "modes",
                table: "walk_rounds",
                type: "jsonb",
                nullable: false,
                defaultValue: "[]"
            );

            migrationBuilder.AddColumn<string[]>(
                name: "order",
                table: "walk_rounds",
                type: "text[]",
                nullable: false,
                defaultValue: new string[0]
            );

            migrationBuilder.AddColumn<string>(
                name: "pads",
                table: "walk_rounds",
                type: "jsonb",
                nullable: false,
                defaultValue: "[]"
            );

            migrationBuilder.AddColumn<int>(
                name: "people_in",
                table: "walk_rounds",
                type: "integer",
                nullable: true
            );

            migrationBuilder.AddColumn<bool>(
                name: "steering_straight",
                table: "walk_rounds",
                type: "boolean",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "tyres",
                table: "walk_rounds",
                type: "jsonb",
                nullable: false,
                defaultValue: "[]"
            );

            migrationBuilder.AddColumn<string>(
                name: "measure",
                table: "readings",
                type: "text",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "over",
                table: "readings",
                type: "jsonb",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "own_mark",
                table: "readings",
                type: "text",
                nullable: true
            );

            migrationBuilder.AddColumn<bool>(
                name: "skipped",
                table: "readings",
                type: "boolean",
                nullable: false,
                defaultValue: false
            );

            // Everybody who looks at a job hears of a command the moment it is committed, whichever server took it.
            migrationBuilder.Sql(
                """
                CREATE FUNCTION tell_of_command() RETURNS trigger LANGUAGE plpgsql AS $$
                BEGIN
                    PERFORM pg_notify('nokko', json_build_object(
                        'job', NEW.job_id, 'kind', 'stored', 'command', NEW.id)::text);
                    RETURN NULL;
                END $$;
                CREATE TRIGGER tell_of_command AFTER INSERT ON commands
                    FOR EACH ROW EXECUTE FUNCTION tell_of_command();
                """
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql(
                "DROP TRIGGER tell_of_command ON commands; DROP FUNCTION tell_of_command();"
            );

            migrationBuilder.DropColumn(name: "from_document", table: "walk_rounds");

            migrationBuilder.DropColumn(name: "modes", table: "walk_rounds");

            migrationBuilder.DropColumn(name: "order", table: "walk_rounds");

            migrationBuilder.DropColumn(name: "pads", table: "walk_rounds");

            migrationBuilder.DropColumn(name: "people_in", table: "walk_rounds");

            migrationBuilder.DropColumn(name: "steering_straight", table: "walk_rounds");

            migrationBuilder.DropColumn(name: "tyres", table: "walk_rounds");

            migrationBuilder.DropColumn(name: "measure", table: "readings");

            migrationBuilder.DropColumn(name: "over", table: "readings");

            migrationBuilder.DropColumn(name: "own_mark", table: "readings");

            migrationBuilder.DropColumn(name: "skipped", table: "readings");
        }
    }
}
