using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(NokkoDb))]
    [Migration("20261129080125_HandOverPapers")]
    public class HandOverPapers : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "road_tests",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    after = table.Column<bool>(type: "boolean", nullable: false),
                    answers = table.Column<string>(type: "jsonb", nullable: false),
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
                    table.PrimaryKey("pk_road_tests", x => x.id);
                    table.ForeignKey(
                        name: "fk_road_tests_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_road_tests_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "shared_addresses",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                    hash = table.Column<string>(type: "text", nullable: false),
                    opens = table.Column<string>(type: "text", nullable: false),
                    job_id = table.Column<Guid>(type: "uuid", nullable: true),
                    plates = table.Column<bool>(type: "boolean", nullable: false),
                    owners = table.Column<bool>(type: "boolean", nullable: false),
                    pictures = table.Column<bool>(type: "boolean", nullable: false),
                    length_unit = table.Column<string>(type: "text", nullable: false),
                    made_by = table.Column<Guid>(type: "uuid", nullable: false),
                    made_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    ends_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: true
                    ),
                    seen_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: true
                    ),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_shared_addresses", x => x.id);
                    table.ForeignKey(
                        name: "fk_shared_addresses_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_shared_addresses_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "signatures",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "text", nullable: false),
                    @as = table.Column<string>(name: "as", type: "text", nullable: false),
                    told = table.Column<string[]>(type: "text[]", nullable: false),
                    strokes = table.Column<string>(type: "jsonb", nullable: false),
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
                    table.PrimaryKey("pk_signatures", x => x.id);
                    table.ForeignKey(
                        name: "fk_signatures_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_signatures_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateIndex(
                name: "ix_jobs_promised",
                table: "jobs",
                columns: new[] { "shop_id", "promised_on" },
                filter: "handed_over_at is null and promised_on is not null"
            );

            migrationBuilder.CreateIndex(
                name: "ix_follow_ups_to_come",
                table: "follow_ups",
                columns: new[] { "shop_id", "due_on" },
                filter: "done_at is null"
            );

            migrationBuilder.CreateIndex(
                name: "ix_road_tests_job_id",
                table: "road_tests",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_road_tests_shop_id",
                table: "road_tests",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_shared_addresses_hash",
                table: "shared_addresses",
                column: "hash",
                unique: true
            );

            migrationBuilder.CreateIndex(
                name: "ix_shared_addresses_job_id",
                table: "shared_addresses",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_shared_addresses_shop_id",
                table: "shared_addresses",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_signatures_job_id",
                table: "signatures",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_signatures_shop_id",
                table: "signatures",
                column: "shop_id"
            );
            migrationBuilder.Guard("road_tests", Storage.RowSecurity.OfShop);
            migrationBuilder.Guard("signatures", Storage.RowSecurity.OfShop);
            // Who comes by an address is looked up before it is known of which shop.
            migrationBuilder.Guard(
                "shared_addresses",
                Storage.RowSecurity.AtTheDoor(Storage.RowSecurity.OfShop)
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "road_tests");

            migrationBuilder.DropTable(name: "shared_addresses");

            migrationBuilder.DropTable(name: "signatures");

            migrationBuilder.DropIndex(name: "ix_jobs_promised", table: "jobs");

            migrationBuilder.DropIndex(name: "ix_follow_ups_to_come", table: "follow_ups");
        }
    }
}
