using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(NokkoDb))]
    [Migration("20261130045134_Instruments")]
    public class Instruments : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "by",
                table: "torque_entries",
                type: "jsonb",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "by",
                table: "readings",
                type: "jsonb",
                nullable: true
            );

            migrationBuilder.CreateTable(
                name: "instruments",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    kind = table.Column<string>(type: "text", nullable: false),
                    name = table.Column<string>(type: "text", nullable: false),
                    serial = table.Column<string>(type: "text", nullable: true),
                    check_days = table.Column<int>(type: "integer", nullable: false),
                    checks = table.Column<string>(type: "jsonb", nullable: false),
                    mishaps = table.Column<string>(type: "jsonb", nullable: false),
                    put_away_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: true
                    ),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_instruments", x => x.id);
                    table.ForeignKey(
                        name: "fk_instruments_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateIndex(
                name: "ix_instruments_shop_id",
                table: "instruments",
                column: "shop_id"
            );
            migrationBuilder.Guard("instruments", Storage.RowSecurity.OfShop);
            // What was read with an instrument since something happened to it.
            migrationBuilder.Sql(
                "create index ix_readings_by on readings (shop_id, (by ->> 'id'), taken_at) where by is not null"
            );
            migrationBuilder.Sql(
                "create index ix_torque_entries_by on torque_entries (shop_id, (by ->> 'id'), at) where by is not null"
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "instruments");

            migrationBuilder.DropColumn(name: "by", table: "torque_entries");

            migrationBuilder.DropColumn(name: "by", table: "readings");
        }
    }
}
