<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('codes', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->integer('position');
            $table->string('label');
            $table->text('guidance')->default('');
            $table->string('type', 10);
            $table->jsonb('options')->default('[]');
            $table->string('unit', 40)->default('');
            $table->timestampTz('retired_at')->nullable();
            $table->timestampsTz();
            $table->index(['review_id', 'position']);
        });
        Schema::create('answers', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('publication_id')->constrained();
            $table->foreignUlid('code_id')->constrained();
            $table->foreignUlid('user_id')->constrained();
            // an answer without a value is one that was cleared
            $table->jsonb('value')->nullable();
            $table->text('quote')->default('');
            $table->string('place')->default('');
            $table->timestampTz('created_at', 3);
            $table->timestampTz('superseded_at', 3)->nullable();
        });
        DB::unprepared(<<<'SQL'
            CREATE UNIQUE INDEX answers_one_current ON answers (review_id, publication_id, code_id) WHERE superseded_at IS NULL;
            CREATE TRIGGER append_only BEFORE UPDATE ON answers FOR EACH ROW EXECUTE FUNCTION only_supersede();
            CREATE TRIGGER never_deleted BEFORE DELETE ON answers FOR EACH ROW EXECUTE FUNCTION forbid_change();
            SQL);
    }
};
