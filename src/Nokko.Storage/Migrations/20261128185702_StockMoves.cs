using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(NokkoDb))]
    [Migration("20261128185702_StockMoves")]
    public class StockMoves : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "stock_moves",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    part_id = table.Column<Guid>(type: "uuid", nullable: false),
                    job_id = table.Column<Guid>(type: "uuid", nullable: true),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    does = table.Column<string>(type: "text", nullable: false),
                    by = table.Column<int>(type: "integer", nullable: false),
                    left = table.Column<int>(type: "integer", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_stock_moves", x => x.id);
                    table.ForeignKey(
                        name: "fk_stock_moves_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateIndex(
                name: "ix_plans_shop_id1",
                table: "plans",
                column: "shop_id",
                filter: "chosen and to_stage_id is null"
            );

            migrationBuilder.CreateIndex(
                name: "ix_stock_moves_part_id_at",
                table: "stock_moves",
                columns: new[] { "part_id", "at" }
            );

            migrationBuilder.CreateIndex(
                name: "ix_stock_moves_shop_id",
                table: "stock_moves",
                column: "shop_id"
            );

            migrationBuilder.Guard("stock_moves", Storage.RowSecurity.OfShop);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Unguard("stock_moves");

            migrationBuilder.DropTable(name: "stock_moves");

            migrationBuilder.DropIndex(name: "ix_plans_shop_id1", table: "plans");
        }
    }
}
