<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('reviews', function (Blueprint $table): void {
            $table->string('frame', 20)->default('pico');
            $table->text('protocol')->default(''); // an address, or where it was published
            $table->text('registration')->default(''); // the register, and the number there
        });
        Schema::table('concepts', function (Blueprint $table): void {
            $table->string('label', 60)->default(''); // of a concept that no frame names
            $table->integer('position')->default(0);
        });
    }

    public function down(): void
    {
        Schema::table('concepts', fn (Blueprint $table) => $table->dropColumn(['label', 'position']));
        Schema::table('reviews', fn (Blueprint $table) => $table->dropColumn(['frame', 'protocol', 'registration']));
    }
};
