using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(NokkoDb))]
    [Migration("20261126095410_EvidenceAsSums")]
    public class EvidenceAsSums : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(name: "ix_job_evidence_platform_id", table: "job_evidence");

            migrationBuilder.DropColumn(name: "platform_id", table: "job_evidence");

            migrationBuilder.DropColumn(name: "trials", table: "job_evidence");

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "copied_at",
                table: "jobs",
                type: "timestamp with time zone",
                nullable: true
            );

            migrationBuilder.AddColumn<int>(
                name: "rules",
                table: "job_evidence",
                type: "integer",
                nullable: false,
                defaultValue: 0
            );

            migrationBuilder.CreateTable(
                name: "lift_sums",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    platform_id = table.Column<Guid>(type: "uuid", nullable: false),
                    axle = table.Column<string>(type: "text", nullable: false),
                    suspension = table.Column<string>(type: "text", nullable: false),
                    family = table.Column<string>(type: "text", nullable: false),
                    trials = table.Column<int>(type: "integer", nullable: false),
                    vehicles = table.Column<int>(type: "integer", nullable: false),
                    values = table.Column<double[]>(type: "double precision[]", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_lift_sums", x => x.id);
                    table.ForeignKey(
                        name: "fk_lift_sums_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "lift_trials",
                columns: table => new
                {
                    plan_id = table.Column<Guid>(type: "uuid", nullable: false),
                    axle = table.Column<string>(type: "text", nullable: false),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    vehicle_id = table.Column<Guid>(type: "uuid", nullable: false),
                    platform_id = table.Column<Guid>(type: "uuid", nullable: false),
                    suspension = table.Column<string>(type: "text", nullable: false),
                    family = table.Column<string>(type: "text", nullable: false),
                    ordinal = table.Column<int>(type: "integer", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    parts = table.Column<string[]>(type: "text[]", nullable: false),
                    claim_mm = table.Column<double>(type: "double precision", nullable: true),
                    predicted_mm = table.Column<double>(type: "double precision", nullable: true),
                    predicted_u_mm = table.Column<double>(type: "double precision", nullable: true),
                    measured_mm = table.Column<double>(type: "double precision", nullable: true),
                    measured_u_mm = table.Column<double>(type: "double precision", nullable: true),
                    thickness_mm = table.Column<double>(type: "double precision", nullable: true),
                    free_rise_mm = table.Column<double>(type: "double precision", nullable: true),
                    free_rise_u_mm = table.Column<double>(type: "double precision", nullable: true),
                    foretold_ratio = table.Column<double>(type: "double precision", nullable: true),
                    is_new = table.Column<bool>(type: "boolean", nullable: true),
                    why_not = table.Column<string>(type: "text", nullable: true),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_lift_trials", x => new { x.plan_id, x.axle });
                    table.ForeignKey(
                        name: "fk_lift_trials_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_lift_trials_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateIndex(
                name: "ix_job_evidence_rules",
                table: "job_evidence",
                column: "rules"
            );

            migrationBuilder.CreateIndex(
                name: "ix_lift_sums_platform_id_axle_suspension_family",
                table: "lift_sums",
                columns: new[] { "platform_id", "axle", "suspension", "family" },
                unique: true
            );

            migrationBuilder.CreateIndex(
                name: "ix_lift_sums_shop_id",
                table: "lift_sums",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_lift_trials_job_id",
                table: "lift_trials",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_lift_trials_shop_id_at",
                table: "lift_trials",
                columns: new[] { "shop_id", "at" }
            );

            migrationBuilder.CreateIndex(
                name: "ix_lift_trials_vehicle_id",
                table: "lift_trials",
                column: "vehicle_id"
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "lift_sums");

            migrationBuilder.DropTable(name: "lift_trials");

            migrationBuilder.DropIndex(name: "ix_job_evidence_rules", table: "job_evidence");

            migrationBuilder.DropColumn(name: "copied_at", table: "jobs");

            migrationBuilder.DropColumn(name: "rules", table: "job_evidence");

            migrationBuilder.AddColumn<Guid>(
                name: "platform_id",
                table: "job_evidence",
                type: "uuid",
                nullable: false,
                defaultValue: new Guid("00000000-0000-0000-0000-000000000000")
            );

            migrationBuilder.AddColumn<string>(
                name: "trials",
                table: "job_evidence",
                type: "jsonb",
                nullable: false,
                defaultValue: "[]"
            );

            migrationBuilder.CreateIndex(
                name: "ix_job_evidence_platform_id",
                table: "job_evidence",
                column: "platform_id"
            );
        }
    }
}
