<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;

/** Letters hold links that let people in: whoever reads the database alone reads none of them. */
return new class extends Migration
{
    public function up(): void
    {
        DB::table('letters')->orderBy('id')->each(function (object $letter): void {
            DB::table('letters')->where('id', $letter->id)->update(['body' => Crypt::encryptString($letter->body)]);
        });
    }
};
