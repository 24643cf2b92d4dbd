<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('notifications', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->string('type');
            $table->string('notifiable_type');
            $table->char('notifiable_id', 26);
            $table->jsonb('data');
            $table->timestampTz('read_at')->nullable();
            $table->timestampsTz();
            $table->index(['notifiable_id', 'read_at', 'created_at']);
        });
        Schema::table('users', function (Blueprint $table): void {
            // kinds of notices that a person does not want, by way: {"mail": ["disagreement"], "app": []}
            $table->jsonb('unwanted_notices')->default('{}');
        });
    }
};
