using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(NokkoDb))]
    [Migration("20261128113406_ShopSettings")]
    public class ShopSettings : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "settings",
                table: "shops",
                type: "jsonb",
                nullable: false,
                defaultValueSql: "'{}'"
            );

            migrationBuilder.AddColumn<uint>(
                name: "xmin",
                table: "shops",
                type: "xid",
                rowVersion: true,
                nullable: false,
                defaultValue: 0u
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(name: "settings", table: "shops");

            migrationBuilder.DropColumn(name: "xmin", table: "shops");
        }
    }
}
