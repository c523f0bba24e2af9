using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(NokkoDb))]
    [Migration("20261129151028_Week")]
    public class Week : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(name: "ix_jobs_promised", table: "jobs");

            migrationBuilder.AddColumn<double>(
                name: "usual",
                table: "step_entries",
                type: "double precision",
                nullable: true
            );

            migrationBuilder.CreateTable(
                name: "bookings",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    bay = table.Column<string>(type: "text", nullable: true),
                    day = table.Column<DateOnly>(type: "date", nullable: false),
                    from = table.Column<int>(type: "integer", nullable: false),
                    people = table.Column<Guid[]>(type: "uuid[]", nullable: false),
                    hours = table.Column<string>(type: "jsonb", nullable: true),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_bookings", x => x.id);
                    table.ForeignKey(
                        name: "fk_bookings_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_bookings_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "job_workloads",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    load = table.Column<string>(type: "jsonb", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_job_workloads", x => x.id);
                    table.ForeignKey(
                        name: "fk_job_workloads_jobs_id",
                        column: x => x.id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_job_workloads_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.Guard("bookings", Storage.RowSecurity.OfShop);
            migrationBuilder.Guard("job_workloads", Storage.RowSecurity.OfShop);

            migrationBuilder.CreateIndex(
                name: "ix_steps_timed",
                table: "step_entries",
                columns: new[] { "shop_id", "at" },
                filter: "usual is not null"
            );

            migrationBuilder.CreateIndex(
                name: "ix_jobs_open",
                table: "jobs",
                columns: new[] { "shop_id", "promised_on", "id" },
                filter: "handed_over_at is null"
            );

            migrationBuilder.CreateIndex(
                name: "ix_bookings_job_id",
                table: "bookings",
                column: "job_id",
                unique: true
            );

            migrationBuilder.CreateIndex(
                name: "ix_bookings_shop_id_day",
                table: "bookings",
                columns: new[] { "shop_id", "day" }
            );

            migrationBuilder.CreateIndex(
                name: "ix_job_workloads_shop_id",
                table: "job_workloads",
                column: "shop_id"
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "bookings");

            migrationBuilder.DropTable(name: "job_workloads");

            migrationBuilder.DropIndex(name: "ix_steps_timed", table: "step_entries");

            migrationBuilder.DropIndex(name: "ix_jobs_open", table: "jobs");

            migrationBuilder.DropColumn(name: "usual", table: "step_entries");

            migrationBuilder.CreateIndex(
                name: "ix_jobs_promised",
                table: "jobs",
                columns: new[] { "shop_id", "promised_on" },
                filter: "handed_over_at is null and promised_on is not null"
            );
        }
    }
}
