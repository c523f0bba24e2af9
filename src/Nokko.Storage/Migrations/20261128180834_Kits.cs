using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(NokkoDb))]
    [Migration("20261128180834_Kits")]
    public class Kits : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            // No kit was ever written: nothing is lost with it.
            migrationBuilder.DropColumn(name: "override_reason", table: "kits");

            migrationBuilder.AddColumn<string>(
                name: "number",
                table: "kits",
                type: "text",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "contents",
                table: "parts",
                type: "jsonb",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "claim",
                table: "kits",
                type: "jsonb",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "currency",
                table: "kits",
                type: "text",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "fit",
                table: "kits",
                type: "jsonb",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "hours",
                table: "kits",
                type: "jsonb",
                nullable: true
            );

            migrationBuilder.AddColumn<Guid>(
                name: "part_id",
                table: "kits",
                type: "uuid",
                nullable: true
            );

            migrationBuilder.AddColumn<Guid>(
                name: "plan_id",
                table: "kits",
                type: "uuid",
                nullable: false,
                defaultValue: new Guid("00000000-0000-0000-0000-000000000000")
            );

            migrationBuilder.AddColumn<decimal>(
                name: "price",
                table: "kits",
                type: "numeric",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "sheet",
                table: "kits",
                type: "jsonb",
                nullable: true
            );

            migrationBuilder.AddColumn<uint>(
                name: "xmin",
                table: "kits",
                type: "xid",
                rowVersion: true,
                nullable: false,
                defaultValue: 0u
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(name: "contents", table: "parts");

            migrationBuilder.DropColumn(name: "claim", table: "kits");

            migrationBuilder.DropColumn(name: "currency", table: "kits");

            migrationBuilder.DropColumn(name: "fit", table: "kits");

            migrationBuilder.DropColumn(name: "hours", table: "kits");

            migrationBuilder.DropColumn(name: "part_id", table: "kits");

            migrationBuilder.DropColumn(name: "plan_id", table: "kits");

            migrationBuilder.DropColumn(name: "price", table: "kits");

            migrationBuilder.DropColumn(name: "sheet", table: "kits");

            migrationBuilder.DropColumn(name: "xmin", table: "kits");

            migrationBuilder.DropColumn(name: "number", table: "kits");

            migrationBuilder.AddColumn<string>(
                name: "override_reason",
                table: "kits",
                type: "text",
                nullable: true
            );
        }
    }
}
