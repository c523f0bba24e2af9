using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(NokkoDb))]
    [Migration("20261127015455_FittingInFull")]
    public class FittingInFull : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(name: "ix_vehicles_platform_id", table: "vehicles");

            migrationBuilder.AddColumn<string>(
                name: "agreed_by",
                table: "step_entries",
                type: "text",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "work",
                table: "step_entries",
                type: "text",
                nullable: true
            );

            migrationBuilder.AddColumn<Guid>(
                name: "added_under",
                table: "joints",
                type: "uuid",
                nullable: true
            );

            migrationBuilder.AddColumn<double>(
                name: "torque_band",
                table: "jobs",
                type: "double precision",
                nullable: true
            );

            migrationBuilder.CreateTable(
                name: "cuts",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    plan_id = table.Column<Guid>(type: "uuid", nullable: false),
                    where = table.Column<string>(type: "text", nullable: false),
                    what = table.Column<string>(type: "text", nullable: false),
                    kind = table.Column<string>(type: "text", nullable: false),
                    from = table.Column<string>(type: "text", nullable: false),
                    distance = table.Column<string>(type: "jsonb", nullable: false),
                    size = table.Column<string>(type: "jsonb", nullable: true),
                    count = table.Column<int>(type: "integer", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_cuts", x => x.id);
                    table.ForeignKey(
                        name: "fk_cuts_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_cuts_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "looks",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    joint_id = table.Column<Guid>(type: "uuid", nullable: false),
                    plan_id = table.Column<Guid>(type: "uuid", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_looks", x => x.id);
                    table.ForeignKey(
                        name: "fk_looks_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_looks_joints_joint_id",
                        column: x => x.joint_id,
                        principalTable: "joints",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_looks_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "own_steps",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    plan_id = table.Column<Guid>(type: "uuid", nullable: false),
                    after = table.Column<string>(type: "text", nullable: false),
                    where = table.Column<string>(type: "text", nullable: false),
                    title = table.Column<string>(type: "text", nullable: false),
                    @do = table.Column<string>(name: "do", type: "text", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_own_steps", x => x.id);
                    table.ForeignKey(
                        name: "fk_own_steps_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_own_steps_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "shop_ways",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    ways = table.Column<string>(type: "jsonb", nullable: false),
                    torque_band = table.Column<double>(type: "double precision", nullable: true),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_shop_ways", x => x.id);
                    table.ForeignKey(
                        name: "fk_shop_ways_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "tips",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    operation = table.Column<string>(type: "text", nullable: false),
                    text = table.Column<string>(type: "text", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    person_name = table.Column<string>(type: "text", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_tips", x => x.id);
                    table.ForeignKey(
                        name: "fk_tips_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateIndex(
                name: "ix_vehicles_platform_id_id",
                table: "vehicles",
                columns: new[] { "platform_id", "id" }
            );

            migrationBuilder.CreateIndex(name: "ix_cuts_job_id", table: "cuts", column: "job_id");

            migrationBuilder.CreateIndex(name: "ix_cuts_shop_id", table: "cuts", column: "shop_id");

            migrationBuilder.CreateIndex(name: "ix_looks_job_id", table: "looks", column: "job_id");

            migrationBuilder.CreateIndex(
                name: "ix_looks_joint_id",
                table: "looks",
                column: "joint_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_looks_shop_id",
                table: "looks",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_own_steps_job_id",
                table: "own_steps",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_own_steps_shop_id",
                table: "own_steps",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_shop_ways_shop_id",
                table: "shop_ways",
                column: "shop_id",
                unique: true
            );

            migrationBuilder.CreateIndex(name: "ix_tips_shop_id", table: "tips", column: "shop_id");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "cuts");

            migrationBuilder.DropTable(name: "looks");

            migrationBuilder.DropTable(name: "own_steps");

            migrationBuilder.DropTable(name: "shop_ways");

            migrationBuilder.DropTable(name: "tips");

            migrationBuilder.DropIndex(name: "ix_vehicles_platform_id_id", table: "vehicles");

            migrationBuilder.DropColumn(name: "agreed_by", table: "step_entries");

            migrationBuilder.DropColumn(name: "work", table: "step_entries");

            migrationBuilder.DropColumn(name: "added_under", table: "joints");

            migrationBuilder.DropColumn(name: "torque_band", table: "jobs");

            migrationBuilder.CreateIndex(
                name: "ix_vehicles_platform_id",
                table: "vehicles",
                column: "platform_id"
            );
        }
    }
}
