<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('criteria', function (Blueprint $table): void {
            $table->integer('version')->default(1);
            $table->timestampTz('reworded_at', 3)->nullable();
            $table->timestampTz('older_left_at', 3)->nullable(); // somebody said that what rests on the older wording stays so
        });
        DB::unprepared(<<<'SQL'
            ALTER TABLE criteria ADD CONSTRAINT criteria_of_review UNIQUE (review_id, id);
            CREATE TABLE criterion_wordings (
                review_id char(26) NOT NULL REFERENCES reviews (id), id char(26) NOT NULL, criterion_id char(26) NOT NULL, version integer NOT NULL,
                question text NOT NULL, reason text NOT NULL, until timestamptz(3) NOT NULL, user_id char(26) REFERENCES users (id),
                PRIMARY KEY (review_id, id), UNIQUE (review_id, criterion_id, version), FOREIGN KEY (review_id, criterion_id) REFERENCES criteria (review_id, id)
            );
            SQL);
    }

    public function down(): void
    {
        Schema::drop('criterion_wordings');
        DB::statement('ALTER TABLE criteria DROP CONSTRAINT criteria_of_review');
        Schema::table('criteria', fn (Blueprint $table) => $table->dropColumn(['version', 'reworded_at', 'older_left_at']));
    }
};
