using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(NokkoDb))]
    [Migration("20261130080449_Year")]
    public class Year : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "comeback",
                table: "jobs",
                type: "jsonb",
                nullable: true
            );

            migrationBuilder.CreateTable(
                name: "job_years",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    handed_over_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    facts = table.Column<string>(type: "jsonb", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_job_years", x => x.id);
                    table.ForeignKey(
                        name: "fk_job_years_jobs_id",
                        column: x => x.id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_job_years_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "settled_springs",
                columns: table => new
                {
                    plan_id = table.Column<Guid>(type: "uuid", nullable: false),
                    axle = table.Column<string>(type: "text", nullable: false),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "text", nullable: false),
                    is_new = table.Column<bool>(type: "boolean", nullable: false),
                    spring_of = table.Column<Guid>(type: "uuid", nullable: true),
                    family = table.Column<string>(type: "text", nullable: true),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    km = table.Column<double>(type: "double precision", nullable: false),
                    mm = table.Column<double>(type: "double precision", nullable: false),
                    u_mm = table.Column<double>(type: "double precision", nullable: false),
                    weight = table.Column<double>(type: "double precision", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_settled_springs", x => new { x.plan_id, x.axle });
                    table.ForeignKey(
                        name: "fk_settled_springs_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_settled_springs_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateIndex(
                name: "ix_job_years_shop_id_handed_over_at",
                table: "job_years",
                columns: new[] { "shop_id", "handed_over_at" }
            );

            migrationBuilder.CreateIndex(
                name: "ix_settled_springs_job_id",
                table: "settled_springs",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_settled_springs_shop_id_spring_of_at",
                table: "settled_springs",
                columns: new[] { "shop_id", "spring_of", "at" }
            );

            migrationBuilder.Guard("job_years", Storage.RowSecurity.OfShop);
            migrationBuilder.Guard("settled_springs", Storage.RowSecurity.OfShop);
            // What left before is counted too: worked out behind, as what was kept by earlier rules.
            migrationBuilder.Sql(
                "insert into job_evidence (id, shop_id, rules) select id, shop_id, 0 from jobs where handed_over_at is not null on conflict do nothing"
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "job_years");

            migrationBuilder.DropTable(name: "settled_springs");

            migrationBuilder.DropColumn(name: "comeback", table: "jobs");
        }
    }
}
