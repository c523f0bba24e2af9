using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(NokkoDb))]
    [Migration("20261128154514_Suppliers")]
    public class Suppliers : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<DateOnly>(
                name: "due_on",
                table: "parts",
                type: "date",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "supplier",
                table: "parts",
                type: "text",
                nullable: true
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(name: "due_on", table: "parts");

            migrationBuilder.DropColumn(name: "supplier", table: "parts");
        }
    }
}
