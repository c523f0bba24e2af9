using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    public partial class Practice : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<Guid>(
                name: "practice_of",
                table: "shops",
                type: "uuid",
                nullable: true
            );

            migrationBuilder.CreateTable(
                name: "drill_entries",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    kind = table.Column<string>(type: "text", nullable: false),
                    seed = table.Column<int>(type: "integer", nullable: false),
                    right = table.Column<int>(type: "integer", nullable: false),
                    of = table.Column<int>(type: "integer", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_drill_entries", x => x.id);
                    table.ForeignKey(
                        name: "fk_drill_entries_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "exercises",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    course = table.Column<string>(type: "text", nullable: false),
                    level = table.Column<int>(type: "integer", nullable: false),
                    truth = table.Column<string>(type: "jsonb", nullable: false),
                    shelf = table.Column<string>(type: "jsonb", nullable: false),
                    acts = table.Column<string>(type: "jsonb", nullable: false),
                    started_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    handed_in_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: true
                    ),
                    score = table.Column<string>(type: "jsonb", nullable: true),
                    points = table.Column<double>(type: "double precision", nullable: true),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_exercises", x => x.id);
                    table.ForeignKey(
                        name: "fk_exercises_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateIndex(
                name: "ix_drill_entries_shop_id_person_id_at",
                table: "drill_entries",
                columns: new[] { "shop_id", "person_id", "at" }
            );

            migrationBuilder.CreateIndex(
                name: "ix_exercises_shop_id_person_id_started_at",
                table: "exercises",
                columns: new[] { "shop_id", "person_id", "started_at" }
            );

            migrationBuilder.Guard("drill_entries", Storage.RowSecurity.OfShop);
            migrationBuilder.Guard("exercises", Storage.RowSecurity.OfShop);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "drill_entries");

            migrationBuilder.DropTable(name: "exercises");

            migrationBuilder.DropColumn(name: "practice_of", table: "shops");
        }
    }
}
