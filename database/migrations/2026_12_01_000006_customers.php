<?php

declare(strict_types=1);

use App\Models\Customer;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Customers are kept, with how they are reached; who stood on tickets becomes one. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('customers', static function (Blueprint $table): void {
            $table->id();
            $table->string('name', 120);
            $table->string('key', 180)->unique();
            $table->string('email', 200)->default('');
            $table->string('phone', 60)->default('');
            $table->text('note');
            $table->timestamps();
        });
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->unsignedBigInteger('customer_id')->nullable()->index();
        });
        foreach (DB::table('shop_jobs')->where('customer', '!=', '')->distinct()->pluck('customer') as $name) {
            $key = Customer::key((string) $name);
            DB::table('customers')->insertOrIgnore(['name' => $name, 'key' => $key, 'note' => '', 'created_at' => now(), 'updated_at' => now()]);
            DB::table('shop_jobs')->where('customer', $name)->update(['customer_id' => DB::table('customers')->where('key', $key)->value('id')]);
        }
    }

    public function down(): void
    {
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->dropIndex(['customer_id']);
            $table->dropColumn('customer_id');
        });
        Schema::dropIfExists('customers');
    }
};
