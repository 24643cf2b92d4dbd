<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        // what a masked word such as behavio*r stands for is looked up here; a word that no publication has any more
        // does no harm
        DB::statement('CREATE TABLE review_words (review_id char(26) NOT NULL REFERENCES reviews (id), word text COLLATE "C" NOT NULL, PRIMARY KEY (review_id, word))');
        foreach (DB::table('reviews')->orderBy('id')->pluck('id') as $id) {
            $words = DB::getPdo()->quote("SELECT words FROM publications WHERE review_id = '{$id}'");
            DB::statement("INSERT INTO review_words SELECT ?, word FROM ts_stat({$words})", [$id]);
        }
    }

    public function down(): void
    {
        DB::statement('DROP TABLE review_words');
    }
};
